/** Words of what waits to be sent. */
export const waitingWords = {
  waiting: {
    title: 'Waiting to be sent',
    none: 'Nothing is waiting. All that was entered on this device is stored.',
    waiting: 'Waiting for the server',
    tryNow: 'Try now',
    shot: 'Shot: {person}, {time}',
    correction: 'Correction: {time}',
    call: 'Call: {time}',
    slip: 'Tasting note: {time}',
    ruling: 'Another reading: {time}',
    photo: 'Photo: {time}',
    'training-event': 'From a training: {time}',
    mend: 'Open it and mend it',
    asCorrection: 'Send mine as a correction',
    drop: 'Keep the stored one',
    secondTab: 'entered twice, these numbers hold',
    look: 'Look at the newest and correct that',
    forAnother: 'Waits until {person} signs in on this device',
    done: 'Take it off this list',
  },
}
