import type { OwnLayout } from '~/contract/studio/layouts';
import type { BodyOf } from '~/contract';
import { readSavedLayout } from '~/core/lane';
import { fail, ok, type Result } from '~/core/problems';
import { definitionOf } from '~/pieces/definitions';
import type { App } from '~/services/app';

/** Of one kind; more would not be read as a list. */
const MOST = 40;

/** The owner's layouts of a kind, by name; one that the kind cannot read any more is not among them. */
export async function listLayouts(app: App, kind: string): Promise<OwnLayout[]> {
  const definition = definitionOf(kind);
  if (!definition) return [];
  return (await app.layouts.list(kind)).flatMap(({ id, name, document }) => {
    const read = readSavedLayout(document, definition);
    return read.ok ? [{ id, name, layout: read.value }] : [];
  });
}

/** Keeps a layout under a name; answers all of its kind. */
export async function saveLayout(
  app: App,
  { kind, name, layout }: BodyOf<'POST /api/studio/layouts'>,
): Promise<Result<OwnLayout[]>> {
  const definition = definitionOf(kind);
  if (!definition) return fail('kind', 'not-found');
  const read = readSavedLayout(layout, definition);
  if (!read.ok) return read;
  const others = await app.layouts.list(kind);
  if (others.length >= MOST && !others.some((other) => other.name === name))
    return fail('name', 'too-many-layouts', { most: MOST });
  await app.layouts.write(kind, name, read.value, app.now());
  return ok(await listLayouts(app, kind));
}

export async function removeLayout(app: App, id: number): Promise<Result<null>> {
  return (await app.layouts.remove(id)) ? ok(null) : fail('', 'not-found');
}
