import { migrateAsOwner } from '../database/migrate.ts'

// Usage: DATABASE_OWNER_URL=… DATABASE_URL=… node migrate.js
const { DATABASE_OWNER_URL, DATABASE_URL } = process.env
if (!DATABASE_OWNER_URL || !DATABASE_URL)
  throw new Error('DATABASE_OWNER_URL and DATABASE_URL are both needed.')
await migrateAsOwner(DATABASE_OWNER_URL, decodeURIComponent(new URL(DATABASE_URL).username))
