/**
 * What a strict reader of an answer looks at. An object's keys (`*`: any); one of several objects, told by the word
 * under the key named by `?`; a list of one shape; words it may be, parted by `|`; or a number, anything.
 */
export type Shape = { [key: string]: Shape } | [Shape] | string | number
