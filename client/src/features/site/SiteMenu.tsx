import { useSite } from '../../api/site/site';
import { InkPopover } from '../../ui/sheets/Popover';

/** The site's name: rename it, go to another, start one. */
export function SiteMenu() {
  const { page } = useSite();
  return (
    <InkPopover
      words={<bdi>{page.name}</bdi>}
      label={`${page.name}: rename this site or choose another`}
      inside={() => import('./SiteMenuSheet')}
    />
  );
}
