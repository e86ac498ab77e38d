import { INSULATION_WORDS } from '@/core/words/of-vocabulary'
import type { BoxPicture } from './picture'

/** A picture whose flags say the insulation too: it is told apart without any colour. */
export function inWords(picture: BoxPicture): BoxPicture {
  return {
    ...picture,
    cables: picture.cables.map(cable => ({
      ...cable,
      strands: cable.strands.map(strand => {
        const colour = INSULATION_WORDS[strand.insulation].toLowerCase()
        const words = strand.flag ? `${colour}: ${strand.flag.words}` : colour
        return { ...strand, flag: { words, proof: strand.flag?.proof ?? 'assumed' } }
      }),
    })),
  }
}
