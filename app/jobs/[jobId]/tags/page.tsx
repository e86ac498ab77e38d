import { TagsPage } from '@/ui/tags/tags-page'

export default function Page() {
  return <TagsPage />
}
