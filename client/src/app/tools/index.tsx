export { ToolsScreen as default } from '@/areas/tools/tools-screen'
