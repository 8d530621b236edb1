export type { Api } from './http/api'
