// Images imported as files, known to the type check before the first build has written its own declarations.
import 'next/image-types/global'
