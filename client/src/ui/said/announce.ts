/** How long words stay in the region, in ms: long enough to be read out, short enough not to be found there later. */
const stay = 8_000;

/** Speaks these words through the page's one live region, which is in index.html and is never replaced. */
export function announce(words: string): void {
  const region = document.getElementById('announcements');
  if (words === '' || !region) {
    return;
  }

  const line = document.createElement('p');
  line.textContent = words;
  region.append(line);
  setTimeout(() => line.remove(), stay);
}
