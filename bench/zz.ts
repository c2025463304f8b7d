import { startOnStore } from './edits-store.js';
const { server, readyMs, token } = await startOnStore(Number(process.argv[2]));
await server.kill();
console.log(server.folder, readyMs, token);
