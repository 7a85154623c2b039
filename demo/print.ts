import { demoAcademy } from './index.ts'

// Usage: node print.js > academy.json
process.stdout.write(JSON.stringify(demoAcademy(new Date())))
