// esbuild bundles: the command line whole, the server with its registry packages left outside.
import { build } from 'esbuild';

const shared = { bundle: true, platform: 'node', format: 'esm', target: 'node20', logLevel: 'warning', legalComments: 'none' };

export async function bundleCli(root) {
  await build({
    ...shared,
    minify: true,
    entryPoints: ['diagnose', 'simulate', 'size', 'evaluate', 'visits'].map((n) => `${root}/packages/cli/src/${n}.ts`),
    outdir: `${root}/packages/cli/dist`,
    outExtension: { '.js': '.mjs' },
  });
}

/** Own workspace packages are bundled as source, everything else stays in node_modules. */
const registryPackagesOutside = {
  name: 'registry-packages-outside',
  setup(b) {
    b.onResolve({ filter: /^[^./]/ }, (args) =>
      args.path.startsWith('@jumper/') || args.kind === 'entry-point' ? undefined : { path: args.path, external: true },
    );
  },
};

export async function bundleServer(root) {
  await build({
    ...shared,
    sourcemap: true,
    plugins: [registryPackagesOutside],
    entryPoints: [`${root}/apps/server/src/main.ts`],
    outfile: `${root}/apps/server/dist/main.mjs`,
  });
}
