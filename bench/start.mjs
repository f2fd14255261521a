// The model document of a start of a new project, as the screen makes it: `node bench/start.mjs ventilated`.
import { createServer } from 'vite';

const server = await createServer({ configFile: false, server: { middlewareMode: true, watch: null }, appType: 'custom', logLevel: 'error', optimizeDeps: { noDiscovery: true } });
const { firstModel } = await server.ssrLoadModule('/resources/js/projects/starts.ts');
console.log(JSON.stringify(firstModel({ name: process.argv[2], question: 'heat', start: process.argv[2], ambient: '40', altitude: '0', gravity: 'z-' })));
await server.close();
