// What axe cannot see, of what stands on the page now: each finding is one line. The rules are those of
// docs/accessibility.md.
return (() => {
  const findings = [];
  const find = (rule, element, says) =>
    findings.push(`${rule}: ${says} in ${element.outerHTML.slice(0, 140).replace(/\s+/g, ' ')}`);

  const words = (text) => (text ?? '').replace(/\s+/g, ' ').trim();
  const isSeen = (element) => {
    const box = element.getBoundingClientRect();
    return box.width > 1 && box.height > 1 && !element.matches('.sr-only:not(:focus)') && element.checkVisibility({ visibilityProperty: true, opacityProperty: true });
  };
  const dialogs = [...document.querySelectorAll('[role=dialog]')];
  const within = dialogs.at(-1) ?? document.body;
  const all = (css) => [...within.querySelectorAll(css)].filter(isSeen);

  // 2.5.8: 24 px each way, or as much room around it. Words within a sentence are as high as the sentence.
  const isInSentence = (element) => {
    let block = element.parentElement;
    while (block && getComputedStyle(block).display.startsWith('inline') && block.tagName !== 'BUTTON') {
      block = block.parentElement;
    }

    return getComputedStyle(element).display === 'inline' && words(block?.innerText).length > words(element.innerText).length + 1;
  };
  const area = (element) => {
    const label = element.labels?.[0];
    const boxes = [element, ...(label && /^(checkbox|radio)$/.test(element.type) ? [label] : [])].map((one) => one.getBoundingClientRect());
    const left = Math.min(...boxes.map((box) => box.left));
    const top = Math.min(...boxes.map((box) => box.top));
    const right = Math.max(...boxes.map((box) => box.right));
    const bottom = Math.max(...boxes.map((box) => box.bottom));
    return { left, top, right, bottom, x: (left + right) / 2, y: (top + bottom) / 2, isSmall: right - left < 23.5 || bottom - top < 23.5 };
  };
  const targets = all('a[href], button, input:not([type=hidden]), select, textarea, summary, [role=button], [role=menuitem]')
    .map((element) => ({ element, area: area(element) }));
  const away = (from, { left, top, right, bottom }) =>
    Math.hypot(Math.max(left - from.x, 0, from.x - right), Math.max(top - from.y, 0, from.y - bottom));
  for (const { element, area: own } of targets) {
    const crowding = own.isSmall && !isInSentence(element) && targets.find(({ element: other, area: its }) =>
      other !== element && !other.contains(element) && !element.contains(other) && !isInSentence(other) &&
      (its.isSmall ? Math.hypot(its.x - own.x, its.y - own.y) < 23.5 : away(own, its) < 11.5));
    if (crowding) {
      find('2.5.8', element, `${Math.round(own.right - own.left)} by ${Math.round(own.bottom - own.top)} px beside “${words(crowding.element.innerText || crowding.element.ariaLabel).slice(0, 30)}”`);
    }
  }

  // 2.5.3: what is seen begins the name, so that it can be spoken.
  for (const element of all('a[aria-label], button[aria-label], summary[aria-label]')) {
    const said = (text) => words(text.replace(/[^\p{L}\p{N}£$€.,]+/gu, ' ')).toLowerCase();
    if (!said(element.ariaLabel).startsWith(said(element.innerText))) {
      find('2.5.3', element, `“${words(element.innerText)}” is named “${element.ariaLabel}”`);
    }
  }

  // 2.4.6: a figure alone is no name of a button.
  for (const element of all('a[href], button')) {
    if (/^[\d.,£$€\s]+$/.test(words(element.ariaLabel || element.textContent))) {
      find('2.4.6', element, `named by “${words(element.textContent)}” alone`);
    }
  }

  // 1.3.1: a table says what it is of.
  for (const table of all('table')) {
    if (!table.caption && !table.ariaLabel && !table.getAttribute('aria-labelledby')) {
      find('1.3.1', table, 'no caption');
    }
  }

  // 4.1.3: one place speaks.
  for (const region of all('[role=alert], [role=status], [aria-live]')) {
    if (region.id !== 'announcements') {
      find('4.1.3', region, 'a live region of its own');
    }
  }

  // 1.4.10: nothing needs scrolling sideways but what has a region of its own.
  const room = document.documentElement.clientWidth;
  if (document.documentElement.scrollWidth > room) {
    const widest = [...document.body.querySelectorAll('*')].filter((element) => element.getBoundingClientRect().right > room + 1 && !element.closest('.overflow-x-auto')).at(-1);
    find('1.4.10', widest ?? document.body, `${document.documentElement.scrollWidth} px wide on ${room}`);
  }

  return findings;
})();
