export { ShopScreen as default } from '@/areas/late'
