import { HuntPage } from '@/ui/panel/hunt-page'

export default async function Page({ params }: { params: Promise<{ boxId: string }> }) {
  const { boxId } = await params
  return <HuntPage boxId={decodeURIComponent(boxId)} />
}
