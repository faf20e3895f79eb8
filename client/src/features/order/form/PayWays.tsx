import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { keys } from '../../../api/wire/keys';
import { useState } from 'react';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import { api, expect, type Costing } from '../../../api/wire/client';
import { useSite } from '../../../api/site/site';
import { isZero, money } from '../../../format/money';
import { Button } from '../../../ui/Button';
import { TextField } from '../../../ui/fields/Field';
import type { OrderForm } from './form';
import { keepAnswer, renew } from '../../../api/wire/renew';

type Bill = Costing['bills'][number] & { book: string };

const ways = [
  ['card', 'Card', 'held now, taken when all is delivered'],
  ['wallet', 'Wallet', 'you are sent to its page and back'],
  ['invoice', 'Bank transfer', 'against an invoice, due in 14 days; nothing is prepared before it is paid'],
] as const;

/** How each seller is paid, one by one: the sums are those of its bill of today. */
export function PayWays({ form, sellers }: { form: UseFormReturn<OrderForm>; sellers: readonly Bill[] }) {
  return sellers.length === 0 ? null : (
    <section className="mt-7" aria-labelledby="pay-ways">
      <h2 id="pay-ways" className="text-lg">
        How you pay
      </h2>
      <div className="flex flex-col gap-4">
        {sellers.map((bill, index) => (
          <Seller key={bill.book} form={form} bill={bill} index={index} />
        ))}
      </div>
    </section>
  );
}

function Seller({ form, bill, index }: { form: UseFormReturn<OrderForm>; bill: Bill; index: number }) {
  const { books } = useSite();
  const provider = books.find((book) => book.id === bill.book)?.provider ?? bill.book;
  const fault = form.formState.errors.pay?.[index]?.way?.message;
  const way = useWatch({ control: form.control, name: `pay.${index}.way` }) ?? 'card';
  return (
    <fieldset>
      <legend className="font-semibold">
        {money(bill.total, bill.currency)} to <bdi>{provider}</bdi>
      </legend>
      {ways.map(([value, name, what]) => (
        <label key={value} className="flex gap-2.5 py-0.5">
          <input type="radio" value={value} checked={way === value} {...form.register(`pay.${index}.way`)} />
          <span>
            {name} <span className="text-soft text-sm">{what}</span>
          </span>
        </label>
      ))}
      {fault && <p className="text-red text-sm">{fault}</p>}
      <Customer form={form} book={bill.book} provider={provider} index={index} />
    </fieldset>
  );
}

/** Being that seller's customer already: confirmed by a code it mails, after which what it owes can pay. */
function Customer({
  form,
  book,
  provider,
  index,
}: {
  form: UseFormReturn<OrderForm>;
  book: string;
  provider: string;
  index: number;
}) {
  const [asking, setAsking] = useState(false);
  const customer = useQuery({
    queryKey: keys.customer(book),
    queryFn: async () => expect(await api.GET('/api/sellers/{book}/customer', { params: { path: { book } } })),
    staleTime: 0, // An order placed a moment ago may have made a customer, or spent the balance.
  });
  const { balance, currency } = customer.data ?? {};
  if (balance && currency) {
    return isZero(balance) ? (
      <p className="text-soft text-sm">You are a customer there; nothing is waiting in your balance.</p>
    ) : (
      <label className="flex gap-2.5 py-0.5">
        <input type="checkbox" {...form.register(`pay.${index}.balance`)} />
        <span>
          Pay what I can from my balance there, {money(balance, currency)}{' '}
          <span className="text-soft text-sm">the rest as chosen above</span>
        </span>
      </label>
    );
  }

  return asking ? (
    <CustomerCode book={book} provider={provider} mail={form.getValues('contact.mail')} />
  ) : (
    <Button look="text" className="text-sm" onClick={() => setAsking(true)}>
      I am a customer of <bdi>{provider}</bdi> already
    </Button>
  );
}

function CustomerCode({ book, provider, mail: first }: { book: string; provider: string; mail: string }) {
  const { page } = useSite();
  const queries = useQueryClient();
  const [mail, setMail] = useState(first);
  const [code, setCode] = useState('');
  const params = { path: { book } };
  const sent = useMutation({
    mutationFn: async () => {
      const answer = await api.POST('/api/sellers/{book}/customer/code', { params, body: { mail } });
      return answer.error ? expect<never>(answer) : true;
    },
  });
  const confirmed = useMutation({
    mutationFn: async () => expect(await api.POST('/api/sellers/{book}/customer/confirm', { params, body: { code } })),
    onSuccess: async (customer) => {
      await keepAnswer(queries, keys.customer(book), customer);
      // Codes for new customers do not count there any more: the sum may be another.
      await renew(queries, { queryKey: keys.site(page.id) });
    },
  });
  return (
    <div className="mt-1 flex max-w-md flex-col gap-2">
      {sent.data ? (
        <>
          <TextField
            label={`The code that ${provider} mailed to you`}
            inputMode="numeric"
            autoComplete="one-time-code"
            value={code}
            onChange={(event) => setCode(event.target.value)}
            fault={confirmed.error?.message}
          />
          <span>
            <Button disabled={confirmed.isPending} onClick={() => confirmed.mutate()}>
              Confirm
            </Button>
          </span>
        </>
      ) : (
        <>
          <TextField
            label={`Your mail address at ${provider}`}
            type="email"
            value={mail}
            onChange={(event) => setMail(event.target.value)}
            fault={sent.error?.message}
          />
          <span>
            <Button disabled={sent.isPending} onClick={() => sent.mutate()}>
              Mail me a code
            </Button>
          </span>
        </>
      )}
    </div>
  );
}
