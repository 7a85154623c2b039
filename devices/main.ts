import { serveStandIns } from './serveStandIns.ts'

/** The simulated devices as a process of their own: `DEVICE_PORT` and `DEVICE_PACE` say where and how fast. */
const port = Number(process.env['DEVICE_PORT'] ?? 4181)
const pace = Number(process.env['DEVICE_PACE'] ?? 1)
const standIns = await serveStandIns(port, pace)
console.log(JSON.stringify({ url: standIns.url }))

const stop = () => void standIns.stop().then(() => process.exit(0))
process.on('SIGINT', stop)
process.on('SIGTERM', stop)
// Started by another command: when that is gone, so are we.
process.on('disconnect', stop)
