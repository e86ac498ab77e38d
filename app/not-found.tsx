import Link from 'next/link'

export default function NotFound() {
  return (
    <main className="mx-auto max-w-xl px-4 pt-16">
      <h1 className="text-2xl">There is nothing here</h1>
      <p>
        The job or page was removed, or its address is mistyped.{' '}
        <Link href="/" className="underline">
          To the jobs
        </Link>
      </p>
    </main>
  )
}
