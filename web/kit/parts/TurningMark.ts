import { h } from 'vue'

/** Turns while something is waited for; in the place of the component library's own, which brings every icon's machinery along. */
export default function TurningMark() {
  const arc = h('path', { d: 'M12 3a9 9 0 1 0 9 9' })
  return h('span', { class: 'anticon anticon-loading turning', role: 'img', 'aria-hidden': 'true' }, [
    h('svg', { viewBox: '0 0 24 24', width: '1em', height: '1em' }, [arc]),
  ])
}
