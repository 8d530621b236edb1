export { ToolsScreen as default } from '@/areas/late'
