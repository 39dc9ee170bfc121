import { fail, type Result } from '~/core/problems';
import { createPool } from '~/services/worker-pool';
import type { Table } from './read-table';
import type { CatalogueRead, CatalogueTask } from './understand-catalogue';
import type { OrdersRead, OrdersTask } from './understand-orders';

export type ReadingTask =
  { readonly kind: 'table'; readonly bytes: Uint8Array; readonly mostRows: number } | CatalogueTask | OrdersTask;

/** What the thread is given: a file, or nothing, so that it has read all it needs before the first file comes. */
export type TableWorkerTask = ReadingTask | { readonly kind: 'nothing' };

export interface ReadingAnswers {
  readonly table: Result<Table>;
  readonly catalogue: Result<CatalogueRead>;
  readonly orders: Result<OrdersRead>;
}

/** Tables of owners are read apart from the server, one at a time: a file that is hard to read keeps nobody else waiting. */
export interface Reading {
  read<Kind extends ReadingTask['kind']>(task: Extract<ReadingTask, { kind: Kind }>): Promise<ReadingAnswers[Kind]>;
  close(): Promise<void>;
}

export function createReading(): Reading {
  const pool = createPool('read-table', {
    most: 1,
    mostWaiting: 4,
    mostMs: 10_000,
    mostMemoryMb: 768,
    nothing: { kind: 'nothing' } satisfies TableWorkerTask,
  });
  return {
    async read<Kind extends ReadingTask['kind']>(task: Extract<ReadingTask, { kind: Kind }>) {
      const answer = await pool.run<ReadingAnswers[Kind]>(task);
      if (answer.state === 'done') return answer.value;
      return answer.state === 'busy' ? fail('file', 'upload-too-many', { seconds: 10 }) : fail('file', 'csv-slow');
    },
    close: () => pool.close(),
  };
}
