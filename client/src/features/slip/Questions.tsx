import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, carriedOut, type Schemas } from '../../api/wire/client';
import { faultElsewhere } from '../../api/wire/faults';
import { useSentForm } from '../../api/wire/sentForm';
import { useSite } from '../../api/site/site';
import { currencySign } from '../../format/money';
import { Button } from '../../ui/Button';
import { SelectField, TextField } from '../../ui/fields/Field';
import { Announced } from '../../ui/said/Announced';
import { renew } from '../../api/wire/renew';

type Seller = Schemas['SellerSlipWire'];
type Question = Schemas['SlipQuestionWire'];

/** What their price list does not state: to be pasted into their chat before buying, and answered here, one by one. */
export function Questions({ seller, letter }: { seller: Seller; letter: string }) {
  const [copied, setCopied] = useState(false);
  const all = seller.questions.map(({ words }) => words).join('\n');
  return (
    <div className="mt-3 max-w-3xl">
      <h3 className="text-base">What they do not say: ask before you buy</h3>
      <ul className="mt-1">
        {seller.questions.map((question) => (
          <Asked key={question.words} seller={seller} question={question} letter={letter} />
        ))}
      </ul>
      <p className="no-print mt-1 flex flex-wrap gap-x-5">
        <Button look="text" onClick={() => void navigator.clipboard.writeText(all).then(() => setCopied(true))}>
          Copy these questions
        </Button>
        {copied && (
          <Announced as="span" className="text-green">
            copied
          </Announced>
        )}
        <span className="text-soft">What they answer goes into your copy of their price list, with today’s date.</span>
      </p>
    </div>
  );
}

function Asked({ seller, question, letter }: { seller: Seller; question: Question; letter: string }) {
  const [open, setOpen] = useState(false);
  return (
    <li className="odd:bg-band px-2.5 py-1.5">
      <bdi>{question.words}</bdi>{' '}
      {!open && (
        <Button look="text" className="no-print text-sm" onClick={() => setOpen(true)}>
          I got an answer<span className="sr-only">: {question.words}</span>
        </Button>
      )}
      {question.answered && (
        <span className="text-green block text-sm">
          <bdi>{question.answered}</bdi>
        </span>
      )}
      {open && <AnswerForm seller={seller} question={question} letter={letter} close={() => setOpen(false)} />}
    </li>
  );
}

const unanswered = { amount: '', days: '', credit: '', firstPrice: '', said: '' };

function AnswerForm(props: { seller: Seller; question: Question; letter: string; close: () => void }) {
  const { seller, question, letter, close } = props;
  const { page } = useSite();
  const queries = useQueryClient();
  const keep = useMutation({
    mutationFn: async (typed: typeof unanswered) =>
      carriedOut(
        await api.POST('/api/sites/{siteId}/candidates/{letter}/slip/answers', {
          params: { path: { siteId: page.id, letter } },
          body: { book: seller.book, question: question.words, ...answerOf(question, typed) },
        }),
      ),
    // The price list is another one now, and every sum may be.
    onSuccess: async () => {
      await renew(queries);
      close();
    },
  });
  const { form, field } = useSentForm(unanswered, keep.error);
  const submit = form.handleSubmit((typed) => keep.mutate(typed));
  const elsewhere = faultElsewhere(keep.error, Object.keys(unanswered));
  return (
    <form
      onSubmit={(event) => void submit(event)}
      noValidate
      className="no-print mt-2 grid max-w-2xl gap-3 sm:grid-cols-2"
    >
      {question.asks === 'amount' && (
        <TextField
          label={`What they said, ${currencySign(seller.currency)}`}
          inputMode="decimal"
          hint={seller.taxOnTop ? 'Without tax, as their list counts.' : 'As their list counts.'}
          {...field('amount')}
        />
      )}
      {question.asks === 'days' && (
        <TextField label="Within how many days" inputMode="numeric" hint="0: nothing comes back." {...field('days')} />
      )}
      {question.asks === 'change' && (
        <>
          <SelectField label="What is left of the old plan" {...field('credit')}>
            <option value="">Choose what they said</option>
            <option value="yes">is credited, day by day</option>
            <option value="no">is lost</option>
          </SelectField>
          <SelectField label="The new plan starts" {...field('firstPrice')}>
            <option value="">Choose what they said</option>
            <option value="yes">at its first price</option>
            <option value="no">at its later price</option>
          </SelectField>
        </>
      )}
      <TextField
        label={question.asks === 'words' ? 'What they said' : 'In their words'}
        wide={question.asks === 'change' || question.asks === 'words'}
        hint={question.asks === 'words' ? undefined : 'You may leave it out.'}
        {...field('said')}
      />
      <div className="flex gap-3 sm:col-span-2">
        <Button type="submit" look="main" disabled={keep.isPending}>
          Put it into the price list
        </Button>
        <Button onClick={close}>Leave it</Button>
      </div>
      {elsewhere && <Announced className="text-red sm:col-span-2">{elsewhere}</Announced>}
    </form>
  );
}

function answerOf({ asks }: Question, typed: typeof unanswered) {
  const choice = (said: string) => (said === '' ? null : said === 'yes');
  const days = typed.days.trim();
  return {
    amount: asks === 'amount' ? typed.amount.trim() : null,
    days: asks === 'days' && /^\d{1,6}$/.test(days) ? Number(days) : null,
    credit: choice(typed.credit),
    firstPrice: choice(typed.firstPrice),
    said: typed.said.trim() || null,
  };
}
