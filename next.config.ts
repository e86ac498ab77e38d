import path from 'node:path'
import type { NextConfig } from 'next'

const config: NextConfig = {
  output: 'standalone',
  outputFileTracingRoot: path.resolve(import.meta.dirname),
  turbopack: { root: path.resolve(import.meta.dirname) },
  poweredByHeader: false,
  reactStrictMode: true,
  serverExternalPackages: ['mysql2', 'joi', 'pino', 'sharp'],
}

export default config
