import { CUP_STORIES } from './cupStories.ts'
import { FLOW_STORIES } from './flowStories.ts'
import { HAND_STORIES } from './handStories.ts'
import type { Told } from './told.ts'

/** Shots as trainers tell them, written from the craft’s own table of causes and not from the simulator. */
export const STORIES: readonly Told[] = [...FLOW_STORIES, ...HAND_STORIES, ...CUP_STORIES]
