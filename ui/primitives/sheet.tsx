'use client'

import { Dialog } from 'radix-ui'
import type { ReactNode } from 'react'
import { useSay } from '../words/use-say'

/** A dialog: a sheet from below on a phone, a card in the middle on a desk. */
export function Sheet({
  title,
  open,
  onClose,
  children,
  footer,
  wide = false,
}: {
  title: string
  open: boolean
  onClose: () => void
  children: ReactNode
  /** What is pressed at the end: always in sight. */
  footer?: ReactNode
  wide?: boolean
}) {
  const say = useSay()

  return (
    <Dialog.Root open={open} onOpenChange={now => !now && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className={`fixed inset-x-0 bottom-0 z-50 flex max-h-[88dvh] flex-col rounded-t-2xl border-t-2 border-ink bg-paper sm:inset-x-auto sm:top-1/2 sm:bottom-auto sm:left-1/2 sm:w-full sm:-translate-x-1/2 sm:-translate-y-1/2 sm:rounded-2xl sm:border-2 ${wide ? 'sm:max-w-3xl' : 'sm:max-w-xl'}`}
        >
          <div className="flex items-center justify-between gap-3 border-b border-rule px-4 py-2">
            <Dialog.Title className="text-lg">{title}</Dialog.Title>
            <Dialog.Close className="min-h-11 rounded-lg px-3 font-semibold underline underline-offset-4">{say`Close`}</Dialog.Close>
          </div>
          <div className="flex flex-col gap-4 overflow-y-auto p-4">{children}</div>
          {footer && <div className="flex flex-col border-t border-rule px-4 py-2">{footer}</div>}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
