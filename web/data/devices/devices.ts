import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { watch } from 'vue'
import type { BarDevice } from './barDevice.ts'
import { addressIssue } from './deviceAddress.ts'
import { byHand } from './byHand.ts'
import { lineDevice } from './lineDevice.ts'

/** Where the devices of this tablet are, and one line to each group's. */
export const useDevices = defineStore('devices', () => {
  /** Such as `ws://127.0.0.1:4181`, below which each group has a path; empty: all is typed by hand. */
  const address = useLocalStorage('calm-apron.devices', '')
  const open = new Map<string, BarDevice>()

  /** The devices at a group; the same ones however often they are asked for. */
  function at(group: string): BarDevice {
    const known = open.get(group)
    if (known) return known
    const isGood = addressIssue(address.value, isSecurePage()) === null
    // One that was kept by an earlier page, and no line can be opened to, measures nothing.
    const made = address.value === '' || !isGood ? byHand() : lineDevice(`${address.value}/${group}`)
    open.set(group, made)
    return made
  }

  watch(address, () => {
    for (const device of open.values()) device.close()
    open.clear()
  })

  return { address, at }
})

/** Whether our own page came over https. */
export const isSecurePage = () => 'location' in globalThis && location.protocol === 'https:'
