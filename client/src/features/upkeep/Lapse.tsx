import { useQuery } from '@tanstack/react-query';
import { keys } from '../../api/wire/keys';
import { api, expect, type Schemas } from '../../api/wire/client';
import { longDay, shortDay } from '../../format/dates';
import { money } from '../../format/money';
import { Dialog } from '../../ui/sheets/Dialog';
import { Cell, Head, Heads, Row, Table } from '../../ui/Table';
import { Awaited } from '../../ui/said/Waiting';
import { differenceWords } from './sums';
import type { Tenure } from './upkeep';

/** What follows, state by state, if something is let lapse; and what coming back costs then. */
export function Lapse({ tenure, held, close }: { tenure: Tenure; held: Schemas['HadWire']; close: () => void }) {
  const steps = useQuery({
    queryKey: keys.lapse(tenure.orderId, held.holding, tenure.version),
    queryFn: async () =>
      expect(
        await api.GET('/api/orders/{orderId}/upkeep/lapse/{holding}', {
          params: { path: { orderId: tenure.orderId, holding: held.holding } },
        }),
      ),
  });
  const effect = tenure.effects.find(
    ({ group, decision }) => group === 'renewing' && decision.holding === held.holding && held.renews,
  );
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && close()}
      title={`If ${held.name} is not renewed`}
      about="Nothing is decided by looking at this."
    >
      {effect && !effect.refused && (
        <p className="mb-2">
          Not renewing it {differenceWords(effect.difference)}, counted until {longDay(tenure.until)}. The switch beside
          it decides, and goes back the same way until its day.
        </p>
      )}
      {!steps.data ? (
        <Awaited query={steps} for="Going through the days" />
      ) : steps.data.length === 0 ? (
        <p>It does not lapse within the years that are looked ahead to.</p>
      ) : (
        <Table className="mt-1 w-full" caption="Day by day">
          <Heads>
            <Head>From</Head>
            <Head>It is</Head>
            <Head figures>Having it back costs</Head>
          </Heads>
          <tbody>
            {steps.data.map((step) => (
              <Row key={step.on} label={<span className="whitespace-nowrap">{shortDay(step.on)}</span>}>
                <Cell>
                  {step.words}
                  {step.assumed && (
                    <span className="text-soft block text-[13px]">how long is not stated: as usual</span>
                  )}
                </Cell>
                <Cell figures>
                  {step.return ? (
                    <>
                      {step.returnAtLeast && 'at least '}
                      {money(step.return.amount, step.return.currency)}
                    </>
                  ) : (
                    <span className="text-red">not possible</span>
                  )}
                </Cell>
              </Row>
            ))}
          </tbody>
        </Table>
      )}
    </Dialog>
  );
}
