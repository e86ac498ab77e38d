/** The frame of a job while what is in it is on its way. */
export function Opening() {
  return (
    <>
      <header data-chrome className="border-b border-rule bg-sheet" aria-busy="true">
        <div className="mx-auto flex h-11 max-w-7xl items-center px-4" data-save="opening" />
      </header>
      <main id="main" className="mx-auto min-h-screen max-w-7xl px-3 pb-24 sm:px-4" />
    </>
  )
}
