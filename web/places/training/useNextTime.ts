import { skillSaying } from '@calm-apron/core'
import { useDoor } from '../../data/door/door.ts'
import { skillAsked, teamSkillAsked } from '../../data/queries/questions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'
import { useOwnSentences } from '../../shot/skill/useOwnSentences.ts'
import { useSaying } from '../../shot/skill/useSaying.ts'
import { useTimeOfDay } from '../../kit/useTimeOfDay.ts'

/**
 * What somebody should do next time, as their page says it, and the sentence that could be given to them to take home; to
 * whoever learns only of themselves, and nothing to give. Empty where nothing is known.
 */
export function useNextTime() {
  const door = useDoor()
  const now = useTimeOfDay(60_000)
  const sayingWords = useSaying()
  const ownSentences = useOwnSentences()
  const team = useAnswer(() => (door.isStaff ? teamSkillAsked() : null))
  const own = useAnswer(() => (door.isStaff ? null : skillAsked(door.personId)))

  const learnt = (personId: string) =>
    team.value.value?.people.find((each) => each.personId === personId)?.families[0]

  function says(personId: string): string {
    if (!door.isStaff) {
      const [family] = own.value.value?.families ?? []
      if (personId !== door.personId || family === undefined) return ''
      return ownSentences(family, now.value.getTime()).at(-1) ?? ''
    }
    const family = learnt(personId)
    return family === undefined ? '' : sayingWords(skillSaying(family, now.value.getTime()), family)
  }
  function toGive(personId: string): string {
    const family = learnt(personId)
    return family === undefined ? '' : ownSentences(family, now.value.getTime()).join(' ')
  }
  return { says, toGive }
}
