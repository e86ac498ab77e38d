import larger from 'lucide-static/icons/maximize-2.svg'
import smaller from 'lucide-static/icons/minimize-2.svg'
import menu from 'lucide-static/icons/menu.svg'
import moon from 'lucide-static/icons/moon.svg'
import redo from 'lucide-static/icons/redo-2.svg'
import search from 'lucide-static/icons/search.svg'
import undo from 'lucide-static/icons/undo-2.svg'

const ICONS: Readonly<
  Record<'larger' | 'menu' | 'moon' | 'redo' | 'search' | 'smaller' | 'undo', { readonly src: string }>
> = {
  larger,
  menu,
  moon,
  redo,
  search,
  smaller,
  undo,
}

/** An icon in the colour of the text round it: a file used as a mask, so it costs no script. */
export function Icon({ name }: { name: keyof typeof ICONS }) {
  return (
    <span
      aria-hidden="true"
      className="block h-5 w-5 bg-current [mask-size:contain]"
      style={{ maskImage: `url("${ICONS[name].src}")` }}
    />
  )
}
