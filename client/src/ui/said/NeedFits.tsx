import type { Schemas } from '../../api/wire/client';
import { needWords, reasonWords } from '../../format/needs';

type NeedFit = Schemas['NeedFitWire'];

/**
 * How the needs are met: those that are not, in red with the reason; those that an extra would meet; else one word for
 * all.
 */
export function NeedFits({ fits }: { fits: readonly NeedFit[] }) {
  if (fits.length === 0) {
    return <span className="text-soft">no needs said</span>;
  }

  const open = fits.filter((fit) => fit.fit !== 'met');
  return open.length === 0 ? (
    <span className="text-green">all {fits.length} met</span>
  ) : (
    <ul>
      {open.map((fit) => (
        <li key={fit.need + JSON.stringify(fit.wants)} className={fit.fit === 'with-extra' ? '' : 'font-semibold'}>
          {fit.fit === 'with-extra' ? (
            <>
              {needWords(fit)}: with <bdi>{fit.by}</bdi>
            </>
          ) : (
            reasonWords(fit)
          )}
        </li>
      ))}
    </ul>
  );
}
