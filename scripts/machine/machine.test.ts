import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { ensureDiskSpace } from './disk.ts'
import { PlainFailure, runMain } from './plainFailure.ts'
import { freePort, portState } from './ports.ts'
import { run } from './run.ts'

describe('ports', () => {
  test('a free one is free, and taken once something listens there', async () => {
    const port = await freePort()
    expect(await portState(port, '127.0.0.1')).toBe('free')
    const holder = createServer()
    await new Promise<void>((resolve) => holder.listen(port, '127.0.0.1', resolve))
    try {
      expect(await portState(port, '127.0.0.1')).toBe('taken')
    } finally {
      await new Promise((resolve) => holder.close(resolve))
    }
  })

  test('an address of another machine can’t be listened on', async () => {
    // 192.0.2.0/24 is set aside for documentation: no machine has it.
    expect(await portState(await freePort(), '192.0.2.1')).toBe('no-such-host')
  })
})

describe('running a program', () => {
  test('what it printed comes back', () => {
    expect(run('echo', ['calm'], 'echo failed')).toBe('calm\n')
  })

  test('a failure says what could not be done, and the program’s last words', () => {
    const fail = () => run('ls', ['/no/such/folder'], 'The folder could not be listed.')
    expect(fail).toThrow(PlainFailure)
    expect(fail).toThrow(/^The folder could not be listed\. \(ls: .*No such file/)
  })

  test('so does a program that is not there', () => {
    expect(() => run('no-such-program', [], 'It could not be run.')).toThrow(
      /It could not be run\. \(no-such-program: .*ENOENT/,
    )
  })
})

describe('plain failures', () => {
  const said = jest.spyOn(console, 'error')
  beforeEach(() => said.mockReset())
  afterEach(() => {
    process.exitCode = undefined
  })

  test('are said in their own words, without a stack', async () => {
    await runMain(() => Promise.reject(new PlainFailure('Port 80 is taken; take another.')))
    expect(said).toHaveBeenCalledWith('\nPort 80 is taken; take another.')
    expect(process.exitCode).toBe(1)
  })

  test('anything else is told whole', async () => {
    const error = new TypeError('x is not a function')
    await runMain(() => Promise.reject(error))
    expect(said).toHaveBeenCalledWith(error)
    expect(process.exitCode).toBe(1)
  })

  test('a run that goes well says nothing', async () => {
    await runMain(() => Promise.resolve())
    expect(said).not.toHaveBeenCalled()
    expect(process.exitCode).toBeUndefined()
  })
})

test('a disk with room is let be', async () => {
  await expect(ensureDiskSpace(tmpdir())).resolves.toBeUndefined()
})
