import { useQuery } from '@tanstack/react-query';
import { nearQuery } from '../../api/names';
import { useSite } from '../../api/site';
import { Note } from '../../ui/Note';

const most = 4;

/** Names close to this one that somebody has: their holder gets a part of the mail and visits meant for this one. */
export function NearTaken({ label, ending }: { label: string; ending: string | null }) {
  const { page } = useSite();
  const sold = page.worksheet.endings.map((offer) => offer.ending);
  const asked = ending && sold.includes(ending) ? ending : sold[0];
  const near = useQuery({ ...nearQuery(page.id, page.worksheet.letter, label, asked ?? ''), enabled: !!asked }).data;
  const taken = near?.advice.map((advice) => advice.detail) ?? [];
  if (taken.length === 0) {
    return null;
  }

  return (
    <Note ink="soft">
      Close to {taken.length === 1 ? 'a name' : 'names'} that somebody has: <bdi>{taken.slice(0, most).join(', ')}</bdi>
      {taken.length > most && ` and ${taken.length - most} more`}. Some mail and visits will go there.
    </Note>
  );
}
