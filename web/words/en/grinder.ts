/** Words of a grinder and its scale. */
export const grinderWords = {
  grinder: {
    finer: 'finer',
    coarser: 'coarser',
    touching: 'The burrs touch at {at}: never set it there or beyond.',
    worked: '{coffee} {setting}',
    workedLine:
      '{coffee}: {from} to {to}, last {date}. | {coffee}: ran in its window at {from}, {date}. | {coffee}: ran in its window at {from} to {to}, {n} shots, last {date}.',
    noneWorked:
      'No shot has run in its window here yet. Settings that work will be marked on the scale, coffee by coffee.',
    stepless: 'stepless',
    steps: 'steps of {step}',
    purge: 'purge {grams} after each change of setting',
    onlyWhileRunning: 'adjust it only while it runs',
    retention: 'keeps {grams} | keeps {grams} (one weighing) | keeps {grams} (mean of {n} weighings)',
    burr: 'inner burr at {at}; one position shifts the scale by {shift}',
    burrUnknown: 'inner burr at {at}; its shift is unknown, so moving it begins a new history',
    calibration: 'Seconds into grams',
    secondsAxis: 'seconds',
    gramsAxis: 'grams',
    fit: 'Gives {rate} g a second after {dead} s of dead time: for {target} set {seconds}. A finer setting gives less, so weigh again after each change.',
    noFit: 'Weigh one more portion of another length to find its line.',
    isLocked: 'locked',
    lockedBy: 'Locked by {who}: {why}.',
    onlyKeeper: 'Only {person} changes this grinder: {why}',
    lockedForYou: 'Ask them, or your head, to change it.',
  },
}
