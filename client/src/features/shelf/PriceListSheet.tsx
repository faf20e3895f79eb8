import { useQuery } from '@tanstack/react-query';
import { useNavigate } from '@tanstack/react-router';
import type { ReactNode } from 'react';
import type { Schemas } from '../../api/wire/client';
import { priceListQuery, shelfQuery, type PriceList } from '../../api/books/shelf';
import { promotionWords } from '../../format/codes';
import { longDay } from '../../format/dates';
import { features, featureWords } from '../../format/features';
import { currencySign, figure } from '../../format/money';
import { perWord, span, wayToPay } from '../../format/words';
import { Dialog } from '../../ui/sheets/Dialog';
import { ScrollRegion } from '../../ui/ScrollRegion';
import { Cell, Head, Heads, Row, Table } from '../../ui/Table';
import { Waiting } from '../../ui/said/Waiting';
import { History } from './History';
import { SheetActions } from './SheetActions';
import { changeRuleWords, lapses, partWords } from './words';

/** One book as a price list a person can read, over the shelf; its address is in the page's. */
export function PriceListSheet({ book }: { book: string }) {
  const shelved = useQuery(shelfQuery).data?.find((known) => known.book.id === book);
  const navigate = useNavigate({ from: '/sites/$siteId/shelf' });
  const list = useQuery(priceListQuery(book));
  const close = () => void navigate({ search: (search) => ({ ...search, book: undefined }) });
  return (
    <Dialog
      open
      wide
      onOpenChange={(open) => !open && close()}
      title={list.data?.book.provider ?? 'Price list'}
      about={list.data && aboutWords(list.data.book)}
    >
      {list.data ? (
        <>
          {shelved && <SheetActions shelved={shelved} />}
          <Whole list={list.data} />
          {shelved && shelved.versions.length > 0 && (
            <Part title="Its versions">
              <History shelved={shelved} />
            </Part>
          )}
        </>
      ) : list.error ? (
        <p className="text-red">{list.error.message}</p>
      ) : (
        <Waiting for="Opening the price list" />
      )}
    </Dialog>
  );
}

const aboutWords = (book: Schemas['BookWire']) =>
  `Prices in ${book.currency}, ${book.pricesIncludeTax ? 'tax included' : 'before tax'}, read on ${longDay(book.asOf)}. ${book.facts.join(' ')}`;

function Whole({ list }: { list: PriceList }) {
  const { book } = list;
  return (
    <div className="flex flex-col gap-5">
      {list.plans.length > 0 && <Plans list={list} />}
      {list.endings.length > 0 && <Endings list={list} />}
      {list.extras.length > 0 && <Extras list={list} />}
      {list.dataCentres.length > 0 && (
        <Part title="Data centres">
          <ul>
            {list.dataCentres.map((centre) => (
              <li key={centre.id}>
                <bdi>{centre.name}</bdi>: {figure(centre.perMonth)} a month more
              </li>
            ))}
          </ul>
        </Part>
      )}
      {list.codes.length > 0 && (
        <Part title="Codes and offers">
          <ul>
            {list.codes.map((code, at) => (
              <li key={at}>
                {code.code ? <b>{code.code}</b> : 'Without a code'}: {promotionWords(code, book)}
              </li>
            ))}
          </ul>
        </Part>
      )}
      {list.refund && (
        <Part title="Leaving early">
          <p>
            Money back within {list.refund.days} days
            {list.refund.minCommitMonths > 0 && `, if you commit to ${span(list.refund.minCommitMonths)} or more`}
            {list.refund.deductsIncludedDomain && '; what the included domain would have cost is kept'}.
          </p>
        </Part>
      )}
      {list.plans.length > 0 && (
        <Part title="Changing plan">
          <p>{changeRuleWords(list.change)}</p>
        </Part>
      )}
      {list.endings.some((ending) => ending.lapse) && (
        <Part title="When a domain is not renewed">
          <ul>
            {lapses(list).map(([rule, endings]) => (
              <li key={rule}>
                {endings}: {rule}
              </li>
            ))}
          </ul>
        </Part>
      )}
      <Part title="What it does not state">
        {list.notStated.length === 0 ? (
          <p className="text-green">Every price that counts here is stated.</p>
        ) : (
          <ul className="text-red">
            {list.notStated.map((gap) => (
              <li key={gap.part + gap.ref}>{partWords(gap.part, gap.ref, gap.name)}</li>
            ))}
          </ul>
        )}
      </Part>
    </div>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section>
      <h3 className="text-base">{title}</h3>
      <div className="mt-1 text-[14px]">{children}</div>
    </section>
  );
}

function Plans({ list: { book, plans } }: { list: PriceList }) {
  const allowed = features.filter(([key]) => book.plans.some((plan) => plan.features[key] !== undefined));
  return (
    <ScrollRegion label="Plans and their prices">
      <Table className="mt-1 w-full" caption="Plans, how they can be paid, and what they allow">
        <Heads>
          <Head>Per month, {currencySign(book.currency)}</Head>
          {book.plans.map((plan) => (
            <Head key={plan.id} figures>
              <bdi>{plan.name}</bdi>
            </Head>
          ))}
        </Heads>
        <tbody>
          {waysOf(plans).map(([every, commit]) => (
            <Row key={`${every}/${commit}`} label={`paid ${wayToPay(every, commit)}`}>
              {plans.map((plan) => (
                <Cell key={plan.plan} figures>
                  <Way way={plan.ways.find((way) => way.everyMonths === every && way.commitMonths === commit)} />
                </Cell>
              ))}
            </Row>
          ))}
          {allowed.map(([key, label]) => (
            <Row key={key} label={label}>
              {book.plans.map((plan) => (
                <Cell key={plan.id} figures>
                  {featureWords(plan.features[key])}
                </Cell>
              ))}
            </Row>
          ))}
        </tbody>
      </Table>
    </ScrollRegion>
  );
}

/** Every way to pay of any plan, once each. */
function waysOf(plans: PriceList['plans']): [number, number][] {
  const all = plans.flatMap((plan) => plan.ways.map((way) => [way.everyMonths, way.commitMonths] as [number, number]));
  return [...new Map(all.map((way) => [way.join('/'), way])).values()].sort(
    ([left, leftCommit], [right, rightCommit]) => left - right || leftCommit - rightCommit,
  );
}

function Way({ way }: { way: PriceList['plans'][number]['ways'][number] | undefined }) {
  if (!way) {
    return <span className="text-soft">not sold</span>;
  }

  return (
    <>
      {figure(way.firstPerMonth)}
      {way.steps.length > 1 && (
        <span className="text-red block text-[13px]">
          {way.laterPerMonth === null ? 'later not stated' : `then ${figure(way.laterPerMonth)}`}
        </span>
      )}
      {way.freeMonths > 0 && <span className="text-soft block text-[13px]">{way.freeMonths} months more free</span>}
      {way.setupFee && <span className="text-soft block text-[13px]">{figure(way.setupFee)} to set up</span>}
    </>
  );
}

const stated = (amount: string | null) =>
  amount === null ? <span className="text-red">not stated</span> : figure(amount);

function Endings({ list: { book, endings } }: { list: PriceList }) {
  return (
    <Table className="mt-1" caption={`Domains, ${currencySign(book.currency)}`} shown>
      <Heads>
        <Head>Ending</Head>
        <Head figures>First year</Head>
        <Head figures>Each later year</Head>
        <Head figures>Moving one in</Head>
        <Head>Comes with it</Head>
      </Heads>
      <tbody>
        {endings.map((price) => (
          <Row key={price.ending} label={`.${price.ending}`}>
            <Cell figures>{stated(price.register)}</Cell>
            <Cell figures>{stated(price.renew)}</Cell>
            <Cell figures>{price.takesTransfers ? stated(price.transfer) : 'not taken'}</Cell>
            <Cell>{price.includes.join(', ') || 'nothing'}</Cell>
          </Row>
        ))}
      </tbody>
    </Table>
  );
}

function Extras({ list: { book, extras } }: { list: PriceList }) {
  return (
    <Table className="mt-1" caption={`Extras, ${currencySign(book.currency)}`} shown>
      <Heads>
        <Head>Extra</Head>
        <Head>Charged</Head>
        <Head figures>First</Head>
        <Head figures>Later</Head>
        <Head>To know</Head>
      </Heads>
      <tbody>
        {extras.map((extra) => (
          <Row key={`${extra.id}-${extra.forDomain}`} label={<bdi>{extra.name}</bdi>}>
            <Cell>
              {perWord(extra.every)}
              {extra.unit && `, for each ${extra.unit}`}
            </Cell>
            <Cell figures>{stated(extra.first)}</Cell>
            <Cell figures>{extra.later === extra.first ? 'the same' : stated(extra.later)}</Cell>
            <Cell>
              {extra.preselected && <span className="text-red">the seller ticks it in advance. </span>}
              {extra.ifBoughtLater && `${figure(extra.ifBoughtLater)} if taken later.`}
            </Cell>
          </Row>
        ))}
      </tbody>
    </Table>
  );
}
