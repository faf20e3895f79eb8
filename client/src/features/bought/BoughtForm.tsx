import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from '@tanstack/react-router';
import { useState } from 'react';
import { useFieldArray, useForm, type UseFormReturn } from 'react-hook-form';
import { accountQuery } from '../../api/account';
import { api, expect, type Order } from '../../api/wire/client';
import { faultsOf, showAtFields } from '../../api/wire/faults';
import { readCart } from '../../api/books/pages';
import { useSite } from '../../api/site/site';
import { currencySign, money } from '../../format/money';
import { daySent } from '../../format/typedDates';
import { DateField } from '../../ui/fields/DateField';
import { Button } from '../../ui/Button';
import { ConfirmFirst } from '../../ui/sheets/ConfirmFirst';
import { TextArea, TextField } from '../../ui/fields/Field';
import { PasteBox } from '../../ui/fields/PasteBox';
import { bodyOf, fieldOf, keyNames, receiptOf, startOf, type BoughtForm as Form, type KeyName } from './form';
import { Announced } from '../../ui/said/Announced';
import { renew } from '../../api/wire/renew';

interface Seller {
  book: string;
  seller: string;
  currency: string;
  workedOut: string | null;
}

const hints: Partial<Record<KeyName, string>> = {
  logIn: 'Where you log in, from https:// on.',
  nameServers: 'With commas between them.',
  notes: 'Whom you talked to, what they promised. No passwords.',
};

/** What was paid to whom, the key sheet, and whom reminders go to. */
export function BoughtForm({ sellers, order }: { sellers: Seller[]; order: Order | null }) {
  const { page } = useSite();
  const today = page.settings.businessDate;
  const mail = useQuery(accountQuery).data?.mail ?? '';
  const form = useForm<Form>({
    defaultValues: startOf(
      today,
      sellers.map(({ book }) => book),
      order,
    ),
  });
  const { errors, isSubmitting } = form.formState;
  const [id] = useState(() => crypto.randomUUID());
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [asked, setAsked] = useState<string | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const send = async (typed: Form) => {
    setFault(null);
    setAsked(null);
    try {
      const kept = order ? await change(order.id, typed) : await note(page.id, page.worksheet.letter, id, typed, mail);
      await renew(queries);
      await navigate({
        to: '/sites/$siteId/orders/$orderId',
        params: { siteId: page.id, orderId: kept.id },
        search: {},
      });
    } catch (error) {
      tell(error, typed);
    }
  };
  const tell = (error: unknown, typed: Form) => {
    const faults = faultsOf(error);
    if (faults.some(({ code }) => code === 'unconfirmed')) {
      setAsked(typed.mail.trim() || mail);
      return;
    }

    const others = showAtFields(form, faults, fieldOf);
    if (faults.length === 0 || others.length > 0) {
      setFault(others[0]?.message ?? (error as Error).message);
    }
  };
  const submit = form.handleSubmit(send);
  return (
    <form onSubmit={(event) => void submit(event)} noValidate className="mt-4 grid gap-x-14 gap-y-8 lg:grid-cols-2">
      <div>
        {!order && (
          <div className="grid gap-3 sm:grid-cols-2">
            <DateField
              required
              label="The day you bought it"
              fault={errors.boughtOn?.message}
              {...form.register('boughtOn')}
            />
          </div>
        )}
        {sellers.map((seller, index) => (
          <PaidThere key={seller.book} form={form} seller={seller} index={index} isToday={order === null} />
        ))}
        <div className="mt-5 max-w-xs">
          <DateField
            endsMonth
            optional
            label="The card you gave there is good until"
            hint="Then you are told in time to give them another one."
            fault={errors.cardExpires?.message}
            {...form.register('cardExpires')}
          />
        </div>
        {!order && (
          <fieldset className="mt-6">
            <legend>
              <h2 className="text-lg">Who is written to</h2>
            </legend>
            <p className="text-soft text-sm">Before a bill is due, and to ask whether it was charged.</p>
            <div className="mt-1 grid gap-3 sm:grid-cols-2">
              <TextField
                required
                label="Your name"
                autoComplete="name"
                fault={errors.name?.message}
                {...form.register('name')}
              />
              <TextField
                required
                label="Your mail address"
                type="email"
                autoComplete="email"
                placeholder={mail}
                fault={errors.mail?.message}
                {...form.register('mail')}
              />
            </div>
          </fieldset>
        )}
      </div>
      <Keys form={form} />
      <div className="lg:col-span-2">
        {asked && <ConfirmFirst mail={asked} then="what you bought is noted" goOn={() => void submit()} />}
        {fault && <Announced className="text-red mb-2">{fault}</Announced>}
        <div className="mt-4 flex flex-wrap items-center gap-4">
          <Button type="submit" look={asked ? 'plain' : 'main'} disabled={isSubmitting}>
            {isSubmitting ? 'Noting it …' : order ? 'Keep this' : 'Note that I bought this'}
          </Button>
          {order ? (
            <Link
              to="/sites/$siteId/orders/$orderId"
              params={{ siteId: page.id, orderId: order.id }}
              search={{}}
              className="ink"
            >
              Back to the key sheet
            </Link>
          ) : (
            <Link
              to="/sites/$siteId/slip"
              params={{ siteId: page.id }}
              search={{ view: page.worksheet.letter }}
              className="ink"
            >
              Back to the slip
            </Link>
          )}
        </div>
        <p className="text-soft mt-2 text-sm">Their receipts, as PDF, mail or UBL, are kept on the next page.</p>
      </div>
    </form>
  );
}

async function note(siteId: string, letter: string, id: string, typed: Form, known: string) {
  const { boughtOn, name, mail } = typed;
  const body = {
    ...bodyOf(typed),
    id,
    letter,
    boughtOn: daySent(boughtOn),
    name: name.trim(),
    mail: mail.trim() || known,
  };
  return expect(await api.POST('/api/sites/{siteId}/bought', { params: { path: { siteId } }, body }));
}

async function change(orderId: string, typed: Form) {
  return expect(await api.PUT('/api/orders/{orderId}/bought', { params: { path: { orderId } }, body: bodyOf(typed) }));
}

/** What one seller took, its number, and its receipt's lines for who wants to type them. */
function PaidThere({
  form,
  seller,
  index,
  isToday,
}: {
  form: UseFormReturn<Form>;
  seller: Seller;
  index: number;
  isToday: boolean;
}) {
  const lines = useFieldArray({ control: form.control, name: `receipts.${index}.lines` });
  const errors = form.formState.errors.receipts?.[index];
  const [isPasting, setPasting] = useState(false);
  const receipt = useMutation({
    mutationFn: readCart,
    onSuccess: (read) => {
      const { paid, lines: printed } = receiptOf(read);
      if (paid) {
        form.setValue(`receipts.${index}.paid`, paid, { shouldDirty: true });
      }

      lines.replace(printed);
      setPasting(printed.length === 0);
    },
  });
  const sign = currencySign(seller.currency);
  return (
    <fieldset className="mt-5">
      <legend>
        <h2 className="text-lg">
          <bdi>{seller.seller}</bdi>
        </h2>
      </legend>
      <div className="mt-1 grid gap-3 sm:grid-cols-2">
        <TextField
          label={`What you paid there, ${sign}`}
          inputMode="decimal"
          hint={
            seller.workedOut
              ? `${money(seller.workedOut, seller.currency)} was worked out${isToday ? ' for today' : ''}.`
              : 'Nothing was due there: type 0.00 if nothing was taken.'
          }
          fault={errors?.paid?.message}
          {...form.register(`receipts.${index}.paid`)}
        />
        <TextField
          label="Their number for it"
          hint="Order or customer number. You may leave it out."
          fault={errors?.reference?.message}
          {...form.register(`receipts.${index}.reference`)}
        />
      </div>
      {lines.fields.map((line, place) => (
        <div key={line.id} className="mt-2 flex items-end gap-3">
          <div className="grow">
            <TextField
              label="A line of the receipt"
              fault={errors?.lines?.[place]?.what?.message}
              {...form.register(`receipts.${index}.lines.${place}.what`)}
            />
          </div>
          <div className="w-28">
            <TextField
              label={`Its sum, ${sign}`}
              inputMode="decimal"
              fault={errors?.lines?.[place]?.amount?.message}
              {...form.register(`receipts.${index}.lines.${place}.amount`)}
            />
          </div>
          <Button look="text" className="mb-2" onClick={() => lines.remove(place)}>
            Take it off<span className="sr-only">: line {place + 1}</span>
          </Button>
        </div>
      ))}
      <p className="mt-2 flex flex-wrap gap-x-5 text-sm">
        <Button look="text" onClick={() => lines.append({ what: '', amount: '' })}>
          Type a line of the receipt
        </Button>
        <Button look="text" onClick={() => setPasting(!isPasting)} aria-expanded={isPasting}>
          Paste their receipt
        </Button>
      </p>
      {isPasting && (
        <PasteBox
          label="Their receipt or order confirmation"
          error={receipt.error?.message ?? null}
          isReading={receipt.isPending}
          give={(page) => receipt.mutate(page)}
        />
      )}
    </fieldset>
  );
}

function Keys({ form }: { form: UseFormReturn<Form> }) {
  const errors = form.formState.errors.keys;
  return (
    <fieldset>
      <legend>
        <h2 className="text-lg">Key sheet</h2>
      </legend>
      <p className="text-soft text-sm">
        What you need to find again in a year. Leave out what you do not have yet; with the address and the name servers
        it can be checked here whether your domain leads there.
      </p>
      <div className="mt-1 grid gap-3 sm:grid-cols-2">
        {(Object.keys(keyNames) as KeyName[]).map((name) =>
          name === 'notes' ? (
            <TextArea
              key={name}
              wide
              rows={3}
              label={keyNames[name]}
              hint={hints[name]}
              fault={errors?.[name]?.message}
              {...form.register(`keys.${name}`)}
            />
          ) : (
            <TextField
              key={name}
              label={keyNames[name]}
              hint={hints[name]}
              autoComplete="off"
              fault={errors?.[name]?.message}
              {...form.register(`keys.${name}`)}
            />
          ),
        )}
      </div>
    </fieldset>
  );
}
