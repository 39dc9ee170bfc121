import { readTable } from '~/services/tables/read-table';
import type { ReadingAnswers, ReadingTask, TableWorkerTask } from '~/services/tables/reading';
import { understandCatalogue } from '~/services/tables/understand-catalogue';
import { understandOrders } from '~/services/tables/understand-orders';

/** Reads one table. Whatever a file makes it do, it does to this thread. */
export default function run(task: TableWorkerTask): ReadingAnswers[ReadingTask['kind']] | null {
  switch (task.kind) {
    case 'nothing':
      return null;
    case 'table':
      return readTable(task.bytes, task);
    case 'catalogue':
      return understandCatalogue(task);
    case 'orders':
      return understandOrders(task);
  }
}
