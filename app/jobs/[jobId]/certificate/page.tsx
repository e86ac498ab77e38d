import { CertificatePage } from '@/ui/certificate/certificate-page'

export default function Page() {
  return <CertificatePage />
}
