import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, expect, type Schemas } from '../../api/wire/client';
import { bodyOf, type Page } from '../../api/books/pages';
import { useSite } from '../../api/site/site';
import { money } from '../../format/money';
import { Button } from '../../ui/Button';
import { cx } from '../../ui/cx';
import { PasteBox } from '../../ui/fields/PasteBox';
import { ScrollRegion } from '../../ui/ScrollRegion';
import { TakeTheirs, WhyTheirSum } from './TheirSum';
import { Announced } from '../../ui/said/Announced';

type Check = Schemas['CartCheckWire'];
type Pair = Check['lines'][number];

/** The seller's cart, pasted: line beside line of ours, what differs and what to do about it, then the sum. */
export function TheirCart({ seller, letter }: { seller: Schemas['SellerSlipWire']; letter: string }) {
  const { page } = useSite();
  const [isOpen, setOpen] = useState(false);
  const check = useMutation({
    mutationFn: async (cart: Page) =>
      expect(
        await api.POST('/api/sites/{siteId}/candidates/{letter}/cart', {
          params: { path: { siteId: page.id, letter } },
          body: { book: seller.book, ...bodyOf(cart) },
        }),
      ),
  });
  return (
    <section className="no-print mt-4 max-w-3xl" aria-label={`The cart of ${seller.seller}`}>
      {isOpen ? (
        <PasteBox
          label="Their cart, the last page before you pay"
          error={check.error?.message ?? null}
          isReading={check.isPending}
          give={(cart) => check.mutate(cart)}
        />
      ) : (
        <Button onClick={() => setOpen(true)}>Paste their cart</Button>
      )}
      {check.data && <Compared check={check.data} letter={letter} />}
    </section>
  );
}

function Compared({ check, letter }: { check: Check; letter: string }) {
  const { lines, sum, asTheySell, currency } = check;
  const differ = lines.filter(({ fit }) => fit !== 'as-expected').length;
  return (
    <div className="mt-3">
      <Announced className="font-semibold">
        {differ === 0
          ? 'Every line is as your slip has it.'
          : differ === 1
            ? 'One line is not as your slip has it.'
            : `${differ} lines are not as your slip has them.`}
      </Announced>
      <ScrollRegion label="Their cart beside yours">
        <table className="mt-1 w-full text-left text-[14px]">
          <caption className="sr-only">Their cart, line by line, beside your candidate</caption>
          <thead>
            <tr className="border-ink border-b [&>*]:px-2 [&>*]:py-1">
              <th scope="col">Yours</th>
              <th scope="col">In their cart</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((pair, index) => (
              <Line key={index} pair={pair} currency={currency} />
            ))}
          </tbody>
        </table>
      </ScrollRegion>
      {asTheySell && (
        <div className="border-rule mt-2 border-l-2 pl-3">
          <p>If you want it as it stands in their cart:</p>
          <TakeTheirs candidate={asTheySell} letter={letter} />
        </div>
      )}
      {sum && (
        <div className="mt-2">
          <WhyTheirSum answer={sum} letter={letter} />
        </div>
      )}
      {check.cart.addsUp === false && (
        <p className="text-red mt-1">Their own lines do not add up to their sum: look at the cart once more.</p>
      )}
    </div>
  );
}

function Line({ pair, currency }: { pair: Pair; currency: string }) {
  const isFine = pair.fit === 'as-expected';
  return (
    <>
      <tr className={cx('border-rule border-t align-top [&>*]:px-2 [&>*]:py-1', !isFine && 'bg-band')}>
        <td>{pair.ours ? <Side what={pair.ours} amount={pair.ourAmount} currency={currency} /> : 'not asked for'}</td>
        <td>
          {pair.theirs ? (
            <>
              {isFine && <span className="text-green">✓ </span>}
              <Side what={pair.theirs} amount={pair.theirAmount} currency={currency} />
            </>
          ) : (
            <span className="text-red">not there</span>
          )}
        </td>
      </tr>
      {pair.why && (
        <tr className="bg-band [&>*]:px-2 [&>*]:pb-2">
          <td colSpan={2}>
            <bdi>{pair.why}</bdi>
          </td>
        </tr>
      )}
    </>
  );
}

function Side({ what, amount, currency }: { what: string; amount: string | null; currency: string }) {
  return (
    <>
      <bdi>{what}</bdi>
      {amount !== null && <span className="text-soft"> {money(amount, currency)}</span>}
    </>
  );
}
