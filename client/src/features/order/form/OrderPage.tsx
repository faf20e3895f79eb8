import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { money } from '../../../format/money';
import { Button } from '../../../ui/Button';
import { cx } from '../../../ui/cx';
import { useSite } from '../../../api/site/site';
import { Agreed } from './Agreed';
import { BesideTheForm } from './BesideTheForm';
import { CardSection } from '../../../ui/fields/CardFields';
import { ConfirmFirst } from '../../../ui/sheets/ConfirmFirst';
import { ContactFields } from './ContactFields';
import { empty, movedIn, paidToday, type OrderForm } from './form';
import { InTheWay } from './InTheWay';
import { LastLook } from './LastLook';
import { LogInFields } from './LogInFields';
import { PayWays } from './PayWays';
import { OrderedAlready } from './OrderedAlready';
import { Quotes, useHolderCountry } from './Quotes';
import { quotesQuery } from './quotes';
import { Renewing } from './Renewing';
import { Codes } from './Codes';
import { TransferCodes } from './TransferCodes';
import { useDraft } from './useDraft';
import { usePlacing } from './usePlacing';

/** What is bought today, who buys it, the card, one last look, and the one button that spends money. */
export function OrderPage() {
  const { page } = useSite();
  const { costing, letter, terms, candidate } = page.worksheet;
  const form = useForm<OrderForm>({ defaultValues: empty });
  useDraft(form, page.id);
  const pay = useWatch({ control: form.control, name: 'pay' });
  const { place, hindrance, askAgain } = usePlacing(form);
  const { isSubmitting, errors } = form.formState;
  const [again, setAgain] = useState(false);
  const country = useHolderCountry(form.control);
  const like = useQuery({ ...quotesQuery(page.id, page.revision, letter, country), enabled: costing !== null }).data
    ?.like;

  if (!costing) {
    return (
      <div className="py-6">
        <h1 className="text-2xl">Order {letter}</h1>
        <p className="mt-2">
          There is nothing to order yet.{' '}
          <Link to="/sites/$siteId/worksheet" params={{ siteId: page.id }} search={{ view: letter }} className="ink">
            Choose what is missing on the worksheet
          </Link>
          .
        </p>
      </div>
    );
  }

  const sum = money(costing.totals.dueToday, costing.totals.currency);
  const sellers = paidToday(costing, page.settings.startDate);
  const byCard = sellers.some((_, index) => (pay[index]?.way ?? 'card') === 'card');
  const waits = like && !again ? like : null;
  return (
    <div className="grid gap-x-14 gap-y-8 py-5 lg:grid-cols-[minmax(0,46rem)_minmax(0,1fr)]">
      <title>{`Order ${letter} · ${page.name} · Home Start`}</title>
      <div>
        <h1 className="text-2xl">
          Order {letter} for {sum}
        </h1>
        {waits && <OrderedAlready like={waits} again={() => setAgain(true)} />}
        <LastLook costing={costing} />
        <Codes codes={costing.codes} />
        <form onSubmit={(event) => void place(again)(event)} noValidate hidden={waits !== null}>
          <Quotes control={form.control} />
          {terms && (
            <section className="mt-6" aria-labelledby="terms">
              <h2 id="terms" className="text-lg">
                What you agree to
              </h2>
              <Agreed sentences={terms.sentences} />
            </section>
          )}
          <ContactFields form={form} holdsDomain={page.worksheet.publicRecord !== null} />
          <TransferCodes form={form} domains={movedIn(candidate.domains)} />
          {candidate.hosting?.book && <LogInFields form={form} book={candidate.hosting.book} />}
          <PayWays form={form} sellers={sellers} />
          {byCard && <CardSection register={form.register} at="card." faults={errors.card} />}
          <Renewing form={form} />
          <section className="mt-7">
            <label className="flex gap-2.5">
              <input
                type="checkbox"
                required
                {...form.register('agreed')}
                aria-invalid={errors.agreed ? true : undefined}
                aria-describedby={errors.agreed ? 'agreed-fault' : undefined}
              />
              <span>
                I have read what I buy, from whom, and what I agree to. What renews by itself does so until I stop it;
                the first price does not come back.
              </span>
            </label>
            {errors.agreed && (
              <p id="agreed-fault" className="text-red mt-1 pl-6 text-sm">
                {errors.agreed.message}
              </p>
            )}
          </section>
          {hindrance?.kind === 'unconfirmed' && (
            <ConfirmFirst
              mail={form.getValues('contact.mail').trim()}
              then="your order goes on"
              goOn={() => void place(again)()}
            />
          )}
          {hindrance && hindrance.kind !== 'unconfirmed' && (
            <InTheWay hindrance={hindrance} orderAgain={() => void place(true)()} askAgain={() => void askAgain()} />
          )}
          {/* In view wherever the owner is on the form, but not over a question that has come up. */}
          <div
            className={cx(
              'bg-sheet mt-5 flex flex-wrap items-center gap-x-4 gap-y-2 py-3',
              !hindrance && 'border-rule sticky bottom-0 border-t',
            )}
          >
            <Button type="submit" look={hindrance?.kind === 'unconfirmed' ? 'plain' : 'main'} disabled={isSubmitting}>
              {isSubmitting ? 'Placing the order …' : `Order ${letter} and pay ${sum}`}
            </Button>
            <span className="text-soft text-sm max-sm:hidden">
              Held first, taken only when everything is delivered.
            </span>
          </div>
          <p className="mt-2">
            <Link to="/sites/$siteId/worksheet" params={{ siteId: page.id }} search={{ view: letter }} className="ink">
              Back to the worksheet
            </Link>
          </p>
        </form>
      </div>
      <BesideTheForm control={form.control} />
    </div>
  );
}
