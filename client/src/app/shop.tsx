export { ShopScreen as default } from '@/areas/shop/shop-screen'
