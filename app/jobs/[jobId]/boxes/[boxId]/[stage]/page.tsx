import { notFound } from 'next/navigation'
import { STAGES } from '@/core/model/vocabulary'
import { StagePage } from '@/ui/stages/stage-page'

export default async function Page({ params }: { params: Promise<{ boxId: string; stage: string }> }) {
  const { boxId, stage: given } = await params
  const stage = STAGES.find(each => each === given)
  if (!stage) notFound()
  return <StagePage boxId={decodeURIComponent(boxId)} stage={stage} />
}
