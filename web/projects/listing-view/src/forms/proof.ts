/** Works out the puzzle of a token in a worker, so that the page goes on meanwhile; '' where no worker can be had. */
export function proofOf(token: string): Promise<string> {
  return new Promise((resolve) => {
    try {
      const worker = new Worker(new URL('./proof.worker', import.meta.url), { type: 'module' });
      const done = (solution: string): void => {
        worker.terminate();
        resolve(solution);
      };
      worker.onmessage = ({ data }: MessageEvent<string>) => done(data);
      worker.onerror = () => done('');
      worker.postMessage(token);
    } catch {
      resolve('');
    }
  });
}
