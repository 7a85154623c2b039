import { settingShown } from '@calm-apron/core'
import { useAcademy } from '../../data/academy/academy.ts'

/** How settings of a grinder are said: as it prints them; as plain numbers where it is not known here. */
export function useSettingWords(): (grinderId: string | null) => (setting: number) => string {
  const academy = useAcademy()
  return (grinderId) => (setting) => settingShown(setting, academy.grinder(grinderId)?.lettersPerNumber ?? 0)
}
