import { randomUUID } from 'node:crypto';
import type { Database } from '../database';

export interface StoredDraft {
  readonly document: unknown;
  /** Counts every change; a change must name the one it was made on. */
  readonly edit: number;
  readonly token: string;
  readonly updatedAt: number;
}

export interface RevisionSummary {
  readonly id: number;
  readonly note: string;
  readonly publishedAt: number;
  readonly publishedBy: string | null;
}

export function laneRepository(db: Database) {
  const { LaneDraftRow, LaneRevisionRow } = db.models;

  async function readDraft(): Promise<StoredDraft | null> {
    const row = await LaneDraftRow.findByPk(1);
    return row ? row.get({ plain: true }) : null;
  }

  /** Whoever looked at the draft by an earlier token sees it no more. */
  async function renewToken(): Promise<string> {
    const token = randomUUID();
    await LaneDraftRow.update({ token }, { where: { id: 1 } });
    return token;
  }

  async function writeDraft(draft: StoredDraft): Promise<void> {
    await LaneDraftRow.upsert({ id: 1, ...draft });
  }

  async function insertRevision(revision: {
    document: unknown;
    note: string;
    accountId: number | null;
    publishedAt: number;
  }): Promise<number> {
    const row = await LaneRevisionRow.create({ ...revision, manifest: {} });
    return row.id;
  }

  async function writeManifest(id: number, manifest: unknown): Promise<void> {
    await LaneRevisionRow.update({ manifest }, { where: { id } });
  }

  async function readRevision(
    id: number | 'latest',
  ): Promise<{ id: number; document: unknown; manifest: unknown; publishedAt: number } | null> {
    const row =
      id === 'latest' ? await LaneRevisionRow.findOne({ order: [['id', 'DESC']] }) : await LaneRevisionRow.findByPk(id);
    return row ? row.get({ plain: true }) : null;
  }

  /** The latest revisions by number, newest first. */
  async function listRevisionIds(limit: number): Promise<number[]> {
    const rows = await db.select<{ id: number }>('SELECT id FROM lane_revisions ORDER BY id DESC LIMIT $limit', {
      limit,
    });
    return rows.map((row) => row.id);
  }

  async function latestRevisionId(): Promise<number> {
    return (await LaneRevisionRow.max<number, InstanceType<typeof LaneRevisionRow>>('id')) ?? 0;
  }

  async function listRevisions(): Promise<RevisionSummary[]> {
    return db.select<RevisionSummary>(
      `SELECT r.id, r.note, r.published_at publishedAt, a.name publishedBy FROM lane_revisions r LEFT JOIN accounts a ON a.id = r.account_id ORDER BY r.id DESC LIMIT 200`,
    );
  }

  /** What was said of the first steps; a step nothing was said of is left out. */
  async function listFirstSteps(): Promise<Record<string, 'done' | 'skipped'>> {
    const rows = await db.select<{ step: string; state: 'done' | 'skipped' }>('SELECT step, state FROM first_steps');
    return Object.fromEntries(rows.map(({ step, state }) => [step, state]));
  }

  async function writeFirstStep(step: string, state: 'done' | 'skipped' | null, at: number): Promise<void> {
    if (state === null) await db.run('DELETE FROM first_steps WHERE step = $step', { step });
    else
      await db.run(
        'INSERT INTO first_steps (step, state, at) VALUES ($step, $state, $at) ON CONFLICT (step) DO UPDATE SET state = $state, at = $at',
        { step, state, at },
      );
  }

  return {
    listFirstSteps,
    writeFirstStep,
    readDraft,
    writeDraft,
    renewToken,
    insertRevision,
    writeManifest,
    readRevision,
    latestRevisionId,
    listRevisionIds,
    listRevisions,
  };
}
