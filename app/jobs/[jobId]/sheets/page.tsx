import { SheetsPage } from '@/ui/sheets/sheets-page'

export default async function Page({ searchParams }: { searchParams: Promise<{ box?: string | string[] }> }) {
  const { box } = await searchParams
  return <SheetsPage boxId={typeof box === 'string' ? box : null} />
}
