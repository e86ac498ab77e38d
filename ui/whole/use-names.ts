import { deviceNamed } from '@/core/model/trade'
import type { LightChoices } from '@/core/whole'
import { useTrade } from '../job/provider'
import { useSay } from '../words/use-say'

/** What an option of a light is called: its devices, each with how often it stands there. */
export function useNames() {
  const say = useSay()

  const trade = useTrade()
  return (id: string, light: LightChoices): string => {
    const members = light.options.find(each => each.id === id)?.members ?? []
    const models = members.flatMap(member =>
      member === null ? [] : [deviceNamed(trade, member)?.name ?? member],
    )
    const names = [...new Set(models)].map(name => {
      const count = models.filter(each => each === name).length
      return count > 1 ? `${count} × ${name}` : name
    })
    const stays = members.some(member => member === null)
    return [
      ...names,
      ...(stays ? [names.length > 0 ? say`an old switch stays` : say`What is there stays`] : []),
    ].join('; ')
  }
}
