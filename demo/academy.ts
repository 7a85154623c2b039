import type { Academy, Person } from '@calm-apron/contract'
import { demoId } from './ids.ts'

export const ACADEMY: Academy = {
  academyId: demoId('academy', 1),
  name: 'Tern & Thimble',
  town: 'Ostrel',
  timeZone: 'Atlantic/Azores',
  clockHabit: '24-hours',
}

const trainee = (number: number, displayName: string): Person => ({
  personId: demoId('person', number),
  displayName,
  role: 'trainee',
})

export const PEOPLE: Person[] = [
  { personId: demoId('person', 1), displayName: 'Odalys Brandt', role: 'trainer' },
  trainee(2, 'Mirren Kestle'),
  trainee(3, 'Jonas Abelard'),
  trainee(4, 'Suvi Okonjo'),
  trainee(5, 'Teo Varga-Lind'),
  { personId: demoId('person', 6), displayName: 'Halla Winterbourne', role: 'head' },
  { personId: demoId('person', 7), displayName: 'Bram Ostergard', role: 'trainer' },
  trainee(8, 'Pia Restrand'),
  trainee(9, 'Callum Osei'),
  trainee(10, 'Nadia Fjordal'),
  trainee(11, 'Emrys Tolland'),
]
