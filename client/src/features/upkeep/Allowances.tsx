import { Link } from '@tanstack/react-router';
import { useSite } from '../../api/site/site';
import { longDay } from '../../format/dates';
import { money } from '../../format/money';
import { Cell, Head, Heads, Row, Table } from '../../ui/Table';
import { ClaimedThere } from './ClaimedThere';
import { sumsWords } from './sums';
import type { Tenure } from './upkeep';

/** The domain-years that the plan gives: who takes each, and where one that is free saves most. */
export function Allowances({ tenure }: { tenure: Tenure }) {
  const { page } = useSite();
  return tenure.allowances.length === 0 ? null : (
    <section className="mt-6" aria-label="Domain allowance">
      <h3 className="text-lg">Domain allowance</h3>
      <ul>
        {tenure.allowances.map((allowance) => (
          <li key={allowance.from} className="odd:bg-band px-2.5 py-1.5">
            {allowance.isYearly ? (
              <>
                From {longDay(allowance.from)} to {longDay(allowance.lastDay)}:{' '}
              </>
            ) : (
              <>Until {longDay(allowance.lastDay)}: </>
            )}
            {allowance.takenBy ? (
              <>
                it pays for <bdi>{allowance.takenBy}</bdi>
                {allowance.savesThere && (
                  <span className="text-green">
                    {' '}
                    and saves {money(allowance.savesThere.amount, allowance.savesThere.currency)}
                  </span>
                )}
                .
              </>
            ) : allowance.uses.length > 0 ? (
              <>
                <b>it is there to be spent</b>; after that day it is lost.{' '}
                {tenure.payer.atTheSellers ? (
                  <ClaimedThere tenure={tenure} allowance={allowance} />
                ) : (
                  <Link
                    to="/sites/$siteId/orders/$orderId"
                    params={{ siteId: page.id, orderId: tenure.orderId }}
                    search={{}}
                    hash="claim"
                    className="ink"
                  >
                    Claim a name
                  </Link>
                )}
              </>
            ) : (
              <>it will be there to be spent.</>
            )}
            {allowance.uses.length > 0 && (
              <Table className="mt-1" caption="What a new name saves by ending">
                <Heads>
                  <Head>A new name</Head>
                  <Head figures>saves at once</Head>
                  <Head figures>its later years cost</Head>
                </Heads>
                <tbody>
                  {allowance.uses.map((use) => (
                    <Row key={use.ending} label={`.${use.ending}`}>
                      <Cell figures className="text-green">
                        {use.saves ? money(use.saves.amount, use.saves.currency) : 'not stated'}
                      </Cell>
                      <Cell figures>{sumsWords(use.costs)}</Cell>
                    </Row>
                  ))}
                </tbody>
              </Table>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
