import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { Piscina } from 'piscina';

interface PoolLimits {
  /** Threads at most. */
  readonly most: number;
  /** Tasks that may wait for a thread; more are refused. */
  readonly mostWaiting: number;
  /** From asking to the answer, waiting included. */
  readonly mostMs: number;
  readonly mostMemoryMb: number;
  /** An empty task, given to new threads so that their start does not count as a task's time. */
  readonly nothing?: object;
}

/** A thread that has not started by then has failed; on a busy machine a start takes seconds. */
const MOST_START_MS = 15_000;

/** The outcome of a task: its answer, refused for lack of room, or ended because it took too long or too much memory. */
export type PoolAnswer<T> = { readonly state: 'done'; readonly value: T } | { readonly state: 'busy' | 'ended' };

export interface WorkerPool {
  run<T>(task: object): Promise<PoolAnswer<T>>;
  close(): Promise<void>;
}

/** The file of a worker: beside the built server, or in the source when that is run. */
function workerFile(name: string): { file: string; execArgv: string[] } {
  if (path.isAbsolute(name)) return { file: name, execArgv: [] };
  const here = fileURLToPath(import.meta.url);
  if (here.endsWith('.ts')) return { file: path.resolve(`src/workers/${name}.ts`), execArgv: ['--import', 'tsx'] };
  const built = here.slice(0, here.lastIndexOf(`${path.sep}server${path.sep}`));
  return { file: path.join(built, 'workers', `${name}.mjs`), execArgv: [] };
}

/** Work that must not hold the server, in threads of its own. They end when there has been nothing to do for a while. */
export function createPool(name: string, limits: PoolLimits): WorkerPool {
  const { file, execArgv } = workerFile(name);
  let pool: Piscina | null = null;
  let starting: Promise<unknown> | null = null;
  /** Waits until the threads have read their program, where there are none yet. */
  async function start(opened: Piscina): Promise<void> {
    if (!limits.nothing || (opened.threads.length > 0 && !starting)) return;
    const { nothing } = limits;
    const begun = () => opened.run(nothing, { signal: AbortSignal.timeout(MOST_START_MS) });
    // The task itself will report what is wrong.
    starting ??= Promise.allSettled(Array.from({ length: limits.most }, begun)).finally(() => (starting = null));
    await starting;
  }
  function open(): Piscina {
    const opened = new Piscina({
      filename: file,
      execArgv,
      minThreads: 0,
      maxThreads: limits.most,
      maxQueue: limits.mostWaiting,
      concurrentTasksPerWorker: 1,
      idleTimeout: 60_000,
      resourceLimits: { maxOldGenerationSizeMb: limits.mostMemoryMb },
    });
    // The task already knows that its thread ended; an unhandled error would end the server, too.
    opened.on('error', () => undefined);
    return opened;
  }
  return {
    async run<T>(task: object): Promise<PoolAnswer<T>> {
      const opened = (pool ??= open());
      await start(opened);
      if (opened.queueSize >= limits.mostWaiting) return { state: 'busy' };
      try {
        // Aborting ends the thread: nothing else stops a loop.
        const value = (await opened.run(task, { signal: AbortSignal.timeout(limits.mostMs) })) as T;
        return { state: 'done', value };
      } catch {
        return { state: 'ended' };
      }
    },
    async close() {
      await pool?.destroy();
      pool = null;
    },
  };
}
