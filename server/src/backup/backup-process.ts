import { spawn } from 'node:child_process';
import { setPriority } from 'node:os';
import type { BackupReport } from './backup.js';
import type { RunBackup } from './backups.js';

/** Whoever is waiting for a page goes first. */
const LOW_PRIORITY = 10;

/** Makes backups in a process of their own, by the program at a path; what it says when it fails is the error. */
export function backupsBy(program: string, environment: NodeJS.ProcessEnv): RunBackup {
  return (path) => {
    const child = spawn(process.execPath, [program, 'backup', path, '--json'], { env: environment });
    if (child.pid !== undefined) setPriority(child.pid, LOW_PRIORITY);
    let [told, failed] = ['', ''];
    child.stdout.on('data', (part: Buffer) => (told += part.toString()));
    child.stderr.on('data', (part: Buffer) => (failed += part.toString()));
    return new Promise((resolve, reject) => {
      child.once('error', reject);
      child.once('close', (code) => {
        if (code === 0) resolve(JSON.parse(told) as BackupReport);
        else reject(new Error(failed.trim() || `The backup ended with ${code}.`));
      });
    });
  };
}
