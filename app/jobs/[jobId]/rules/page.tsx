import { RulesPage } from '@/ui/rules/rules-page'

export default function Page() {
  return <RulesPage />
}
