export { serveAgent, type ServedAgent } from './agent-server'
