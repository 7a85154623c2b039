import { createI18n } from 'vue-i18n'
import { en } from './en.ts'

/** The message catalogue; a second language is a further file here. */
export const i18n = createI18n({ legacy: false, locale: 'en', fallbackLocale: 'en', messages: { en } })
