// One a process, however many times this file is bundled.
const holder = globalThis as { everyRoomTurns?: Map<string, Promise<unknown>> }

/** One after another of what goes by one name, whoever asks for how much at once. */
export async function inTurn<Value>(name: string, work: () => Promise<Value>): Promise<Value> {
  const turns = (holder.everyRoomTurns ??= new Map())
  const before = turns.get(name) ?? Promise.resolve()
  const mine = before.then(work, work)
  const settled = mine.catch(() => undefined)
  turns.set(name, settled)
  void settled.then(() => {
    if (turns.get(name) === settled) turns.delete(name)
  })
  return mine
}
