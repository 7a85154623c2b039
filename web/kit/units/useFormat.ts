import { type Quantity, decimalsOf, differenceFromBase, fromBase, keptFormats } from '@calm-apron/core'
import type { ClockHabit } from '@calm-apron/contract'
import { useI18n } from 'vue-i18n'
import { usePreferences } from '../preferences.ts'

const WORDING_LOCALE = 'en-GB'

/** Dates follow the wording's language; figures follow the reader's own habits. */
const dateLocale = navigator.languages.find((language) => language.startsWith('en')) ?? WORDING_LOCALE

const figuresOf = keptFormats(
  (language: string, minimumFractionDigits: number, maximumFractionDigits: number) =>
    new Intl.NumberFormat(language, { minimumFractionDigits, maximumFractionDigits }),
)
const datesOf = keptFormats(
  (timeZone: string) =>
    new Intl.DateTimeFormat(dateLocale, { weekday: 'short', day: 'numeric', month: 'short', timeZone }),
)
const timesOf = keptFormats(
  (timeZone: string, habit: ClockHabit) =>
    new Intl.DateTimeFormat(dateLocale, {
      ...(habit === '12-hours'
        ? { hour: 'numeric', hourCycle: 'h12' }
        : { hour: '2-digit', hourCycle: 'h23' }),
      minute: '2-digit',
      timeZone,
    }),
)

function figure(value: number, decimals: number): string {
  // A sliver below zero is shown as none, without a sign.
  const shown = Math.abs(value) < 0.5 * 10 ** -decimals ? 0 : value
  return figuresOf(navigator.language, decimals, decimals).format(shown)
}

/** Values as people read them: in the chosen units, with the reader's decimal sign. */
export function useFormat() {
  const preferences = usePreferences()
  const { t } = useI18n()

  function quantity(kind: Quantity, base: number): string {
    const unit = preferences.units[kind]
    return `${figure(fromBase(unit, base), decimalsOf(unit))} ${t(`unit.${unit}`)}`
  }

  /** The size of a difference; its sign is said in words by the caller. */
  function difference(kind: Quantity, base: number): string {
    const unit = preferences.units[kind]
    return `${figure(Math.abs(differenceFromBase(unit, base)), decimalsOf(unit))} ${t(`unit.${unit}`)}`
  }

  /** A flow, in the chosen unit of mass a second; `isFine` with a figure more, where there is time to read it. */
  function flow(gPerS: number, isFine = false): string {
    const unit = preferences.units.mass
    const decimals = Math.max(decimalsOf(unit), isFine ? 2 : 0)
    return `${figure(fromBase(unit, gPerS), decimals)} ${t(`unit.${unit}`)}/${t('unit.s')}`
  }

  const mass = (g: number) => quantity('mass', g)
  const massApart = (g: number) => difference('mass', g)
  const seconds = (s: number) => `${figure(s, 1)} ${t('unit.s')}`
  const ratio = (value: number) => `1:${figure(value, 1)}`
  const plain = (value: number) => figuresOf(navigator.language, 0, 2).format(value)
  const tenths = (value: number) => plain(Math.round(10 * value) / 10)
  const percent = (share: number) => `${figure(100 * share, 0)}\u00A0%`
  const dateOf = (instant: string | Date, timeZone: string) => datesOf(timeZone).format(new Date(instant))
  const timeOf = (instant: string, timeZone: string) =>
    timesOf(timeZone, preferences.clockHabit).format(new Date(instant))
  /** The day and the time. */
  const momentOf = (instant: string, timeZone: string) =>
    `${dateOf(instant, timeZone)}, ${timeOf(instant, timeZone)}`
  /** `YYYY-MM-DD` as a date, in no time zone at all. */
  const calendarDate = (date: string) => dateOf(`${date}T12:00:00Z`, 'UTC')

  return {
    quantity,
    flow,
    difference,
    mass,
    massApart,
    seconds,
    ratio,
    plain,
    tenths,
    percent,
    dateOf,
    timeOf,
    momentOf,
    calendarDate,
  }
}
