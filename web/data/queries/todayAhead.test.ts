import { readFileSync } from 'node:fs'
import { API_BASE, CONTRACT_HEADER, ENDPOINTS } from '@calm-apron/contract'

test('what runs before the app, and can import nothing, asks for today as the app itself would', () => {
  const asked = readFileSync(new URL('../../public/beforeApp.js', import.meta.url), 'utf8')
  expect(asked).toContain(`fetch('${API_BASE}${ENDPOINTS.today.path}'`)
  expect(asked).toContain(`'${CONTRACT_HEADER}': contract`)
  const page = readFileSync(new URL('../../index.html', import.meta.url), 'utf8')
  expect(page).toContain('<script src="/beforeApp.js" data-contract="%CONTRACT_VERSION%"></script>')
})
