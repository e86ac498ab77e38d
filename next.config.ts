import path from 'node:path'
import type { NextConfig } from 'next'

interface WebpackConfig {
  readonly plugins: unknown[]
  readonly optimization: {
    readonly splitChunks?: false | { minSize?: number; readonly cacheGroups?: Record<string, unknown> }
  }
}

interface WebpackLike {
  readonly IgnorePlugin: new (options: {
    readonly resourceRegExp: RegExp
    readonly contextRegExp: RegExp
  }) => unknown
}

const config: NextConfig = {
  output: 'standalone',
  outputFileTracingRoot: path.resolve(import.meta.dirname),
  turbopack: { root: path.resolve(import.meta.dirname) },
  poweredByHeader: false,
  reactStrictMode: true,
  // ./test looks at types, once; whoever only starts it need not wait for that.
  typescript: { ignoreBuildErrors: true },
  // One page for every address within a job: it reads there which it is.
  rewrites: async () => [{ source: '/jobs/:path*', destination: '/job' }],
  webpack: (
    webpackConfig: WebpackConfig,
    { webpack, isServer }: { readonly webpack: WebpackLike; readonly isServer: boolean },
  ) => {
    // The optimiser asks for Node’s modules where it runs in Node; in the browser it does not.
    webpackConfig.plugins.push(
      new webpack.IgnorePlugin({ resourceRegExp: /^node:/, contextRegExp: /node_modules[\\/]highs/ }),
    )
    // What every page says its words with comes once, not once for each of the files that Next makes of a page.
    const { splitChunks } = webpackConfig.optimization
    if (!isServer && splitChunks && splitChunks.cacheGroups) {
      // Two parts of the page of Wire go through circuits: what both need comes once.
      splitChunks.cacheGroups.circuits = {
        test: /[\\/]core[\\/](route[\\/](outside|joined-by-tab)|model[\\/]circuit)\.ts$/,
        chunks: 'async',
        minChunks: 2,
        minSize: 0,
        priority: 50,
        enforce: true,
      }
      splitChunks.cacheGroups.words = {
        test: /[\\/](core[\\/]words[\\/]say|ui[\\/]words[\\/]use-say)\.ts$/,
        chunks: ({ name }: { readonly name?: string }) => name?.startsWith('app/') ?? false,
        minChunks: 2,
        minSize: 0,
        priority: 50,
        enforce: true,
      }
    }
    return webpackConfig
  },
  serverExternalPackages: ['mysql2', 'joi', 'pino', 'sharp'],
}

export default config
