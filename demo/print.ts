import { demoAcademy, demoOfHalfYear } from './index.ts'

// Usage: node print.js [half-year] > academy.json
const make = process.argv[2] === 'half-year' ? demoOfHalfYear : demoAcademy
process.stdout.write(JSON.stringify(make(new Date())))
