export { READ_EVERY_MS, StandIn } from './standIn.ts'
export { serveStandIns } from './serveStandIns.ts'
export type { StandIns } from './serveStandIns.ts'
