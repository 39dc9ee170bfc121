import { useState } from 'react';
import { LETTERS } from '~/core/limits';
import { ask } from '~/studio/data/api';
import { Tick } from '~/studio/fields/tick';
import { day } from '~/studio/data/format';
import { TextField } from '~/studio/fields/fields';

export interface ReviewData {
  readonly id: number;
  readonly author: string;
  readonly stars: number;
  readonly text: string;
  readonly day: string;
  readonly answer: string;
  readonly isHidden: boolean;
}

/** What buyers said of a product. Hiding one takes its stars out of the count; an answer stands under it in the shop. */
export function Reviews({ slug, reviews }: { readonly slug: string; readonly reviews: readonly ReviewData[] }) {
  return (
    <section aria-label="Reviews" className="flex flex-col gap-3">
      <h2>Reviews</h2>
      {reviews.length === 0 && <p className="help">Nobody has reviewed it yet.</p>}
      <ul className="grid grid-cols-1 gap-3 md:grid-cols-2">
        {reviews.map((review) => (
          <Review key={review.id} slug={slug} review={review} />
        ))}
      </ul>
    </section>
  );
}

function Review({ slug, review }: { readonly slug: string; readonly review: ReviewData }) {
  const [kept, setKept] = useState({ isHidden: review.isHidden, answer: review.answer });
  const [typed, setTyped] = useState(review.answer);
  const [said, setSaid] = useState<{ text: string; isProblem: boolean } | null>(null);

  async function keep(next: typeof kept): Promise<void> {
    try {
      await ask('PUT /api/studio/products/[slug]/reviews', { params: { slug }, body: { id: review.id, ...next } });
      setKept(next);
      setSaid({ text: 'Saved.', isProblem: false });
    } catch (error) {
      setSaid({ text: (error as Error).message, isProblem: true });
    }
  }

  return (
    <li className="flex flex-col gap-2 rounded-stone border border-mortar p-3">
      <p className={kept.isHidden ? 'text-gravel' : ''}>{review.text}</p>
      <p className="help">
        <span aria-label={`${review.stars} of 5 stars`} role="img">
          {'★'.repeat(review.stars)}
        </span>{' '}
        {review.author}, {day(review.day)}
        {kept.isHidden && ' · hidden from shoppers'}
      </p>
      <TextField
        label={`Answer to ${review.author}`}
        value={typed}
        rows={2}
        maxLength={LETTERS.reviewAnswer}
        onChange={(answer) => {
          setTyped(answer);
          setSaid(null);
        }}
      />
      <div className="flex items-center justify-between gap-2">
        <Tick
          label="Shoppers see this review"
          checked={!kept.isHidden}
          onChange={(isShown) => void keep({ ...kept, isHidden: !isShown })}
        />
        {said && (
          <p role={said.isProblem ? 'alert' : 'status'} className={said.isProblem ? 'text-brick' : 'text-moss'}>
            {said.text}
          </p>
        )}
        <button className="btn" disabled={typed === kept.answer} onClick={() => void keep({ ...kept, answer: typed })}>
          Save the answer
        </button>
      </div>
    </li>
  );
}
