import { GroupPage } from '@/ui/group/group-page'

export default async function Page({ params }: { params: Promise<{ boxId: string }> }) {
  const { boxId } = await params
  return <GroupPage boxId={decodeURIComponent(boxId)} />
}
