import type { Problem } from '~/core/problems';
import { checkMessage } from '~/core/words/check-message';
import type { LaneText } from './lane-texts';

/** What is wrong with the braces of a translation, and facts in it that the source has not. */
export function translationProblems({ key, group, label, source, isMessage }: LaneText, target: string): Problem[] {
  if (!isMessage) return [];
  const place = `${group}: ${label}`;
  const read = checkMessage(target);
  if (!read.ok) return [{ path: key, code: 'po-text', facts: { place, because: read.because } }];
  const facts = checkMessage(source);
  const strange = facts.ok ? read.placeholders.find((name) => !facts.placeholders.includes(name)) : undefined;
  return strange === undefined ? [] : [{ path: key, code: 'po-fact', facts: { place, name: `{${strange}}` } }];
}
