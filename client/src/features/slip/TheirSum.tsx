import { useMutation } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useState, type FormEvent } from 'react';
import { api, expect, Refused, type Schemas } from '../../api/wire/client';
import { useKeep } from '../../api/site/keep';
import { useSite } from '../../api/site/site';
import { currencySign, money, moreOrLess } from '../../format/money';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/fields/Field';
import { Announced } from '../../ui/said/Announced';

/** How many explanations are shown at first. */
const likeliest = 3;

/** One field: what does their page ask for? Where it differs, why, exactly. */
export function TheirSum({ seller, letter }: { seller: Schemas['SellerSlipWire']; letter: string }) {
  const { page } = useSite();
  const [total, setTotal] = useState('');
  const explain = useMutation({
    mutationFn: async () =>
      expect(
        await api.POST('/api/sites/{siteId}/candidates/{letter}/their-sum', {
          params: { path: { siteId: page.id, letter } },
          body: {
            book: seller.book,
            total: total
              .trim()
              .replace(/^[£€$]/, '')
              .replace(/,(?=\d{3}(\D|$))/g, ''),
          },
        }),
      ),
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    explain.mutate();
  };
  const faults = explain.error instanceof Refused ? explain.error.faults : [];
  return (
    <form onSubmit={submit} noValidate className="no-print mt-4">
      <div className="flex items-end gap-3">
        <TextField
          label={`What does their page ask for? ${currencySign(seller.currency)}`}
          inputMode="decimal"
          value={total}
          onChange={(event) => setTotal(event.target.value)}
          fault={faults.find(({ where }) => where === 'total')?.message}
        />
        <Button type="submit" disabled={explain.isPending}>
          Compare the sums
        </Button>
      </div>
      <Announced as="div" className="mt-2">
        {explain.isPending && <p className="text-soft">Trying what could be different …</p>}
        {explain.data && <WhyTheirSum answer={explain.data} letter={letter} />}
        {explain.error && faults.length === 0 && <p className="text-red">{explain.error.message}</p>}
      </Announced>
    </form>
  );
}

/** What makes their sum another than ours, with what to take on. */
export function WhyTheirSum({ answer, letter }: { answer: Schemas['TheirSumWire']; letter: string }) {
  const [all, setAll] = useState(false);
  const { currency, explanations, closest } = answer;
  if (answer.agrees) {
    return <p className="text-green font-semibold">It agrees, to the penny.</p>;
  }

  const { sum, word } = moreOrLess(answer.difference, currency);
  return (
    <>
      <p>
        Theirs is{' '}
        <b className={word === 'less' ? 'text-green' : 'text-red'}>
          {sum} {word}
        </b>{' '}
        than {answer.atLeast && 'at least '}
        {money(answer.ours, currency)}.
      </p>
      {explanations.length > 0 && (
        <ul className="mt-1">
          {(all ? explanations : explanations.slice(0, likeliest)).map((why) => (
            <li key={why.words.join()} className="border-rule my-1 border-l-2 pl-3">
              {why.words.map((words, index) => (
                <span key={words} className="block">
                  {index > 0 && 'And: '}
                  <bdi>{words}</bdi>
                </span>
              ))}
              {why.asTheySell && <TakeTheirs candidate={why.asTheySell} letter={letter} />}
            </li>
          ))}
        </ul>
      )}
      {explanations.length > likeliest && (
        <Button look="text" className="text-sm" onClick={() => setAll(!all)}>
          {all ? 'Only the likeliest' : `${explanations.length - likeliest} more that give the same sum`}
        </Button>
      )}
      {closest && (
        <p className="mt-1">
          Nothing that we know of gives exactly that sum.{' '}
          {closest.words.length > 0 ? (
            <>
              What comes nearest: <bdi>{closest.words.join(' ')}</bdi> That would be {money(closest.total, currency)},
              and {money(closest.remainder, currency)} stay open.
            </>
          ) : (
            'Nothing comes nearer than ours.'
          )}{' '}
          Compare their lines with those above, one by one.
        </p>
      )}
    </>
  );
}

/** The candidate as it is sold there: in the place of ours, or beside it on the shortlist. */
export function TakeTheirs({ candidate, letter: ours }: { candidate: Schemas['CandidateWire']; letter: string }) {
  const { page, changes } = useSite();
  const { letter, keep } = useKeep(candidate);
  return letter ? (
    <span className="block text-sm">
      Kept as{' '}
      <Link to="/sites/$siteId/worksheet" params={{ siteId: page.id }} search={{ view: letter }} className="ink">
        candidate {letter}
      </Link>
      , beside yours.
    </span>
  ) : (
    <span className="flex flex-wrap gap-x-5 text-sm">
      <Button
        look="text"
        onClick={() =>
          void changes.changeAsync({ kind: 'replace-candidate', letter: ours, candidate }).catch(() => null)
        }
      >
        Make {ours} what they sell me
      </Button>
      <Button look="text" onClick={() => void keep()}>
        Keep theirs beside {ours}
      </Button>
    </span>
  );
}
