/**
 * What cannot be read on the page as it stands: texts that are cut, and texts of drawings that lie on each other or outside their drawing. Runs
 * within the page, so it stands alone.
 */
// eslint-disable-next-line @typescript-eslint/no-unused-vars -- called by its name within the page
function illegible() {
  const faults = [];
  // What clips an element across, of itself and what is around it: looked up once for each, for pages are long.
  const clips = new Map();
  const clipOf = (el) => {
    if (!el || el === document.body) return null;
    if (clips.has(el)) return clips.get(el);
    const { overflowX } = getComputedStyle(el);
    const own = overflowX === 'hidden' || overflowX === 'clip' ? el.getBoundingClientRect() : null;
    const around = own || overflowX === 'auto' || overflowX === 'scroll' ? null : clipOf(el.parentElement);
    clips.set(el, own ?? around);
    return clips.get(el);
  };
  const isShown = (el) => {
    const r = el.getBoundingClientRect();
    const s = getComputedStyle(el);
    return r.width > 0 && r.height > 0 && s.visibility !== 'hidden' && s.opacity !== '0' && !el.closest('.sr-only, [hidden]');
  };
  const nameOf = (el) => el.getAttribute('aria-label') || (el.textContent || '').trim().slice(0, 60) || el.tagName;
  const pen = document.createElement('canvas').getContext('2d');
  const widthOf = (text, el) => {
    const s = getComputedStyle(el);
    pen.font = `${s.fontStyle} ${s.fontWeight} ${s.fontSize} ${s.fontFamily}`;
    return pen.measureText(text).width;
  };
  const room = (el) => {
    const s = getComputedStyle(el);
    return el.clientWidth - parseFloat(s.paddingLeft) - parseFloat(s.paddingRight);
  };

  for (const el of document.querySelectorAll('input:not([type=checkbox]):not([type=radio]):not([type=file])'))
    if (isShown(el) && /\d/.test(el.value) && !/[a-z]{3}/i.test(el.value) && widthOf(el.value, el) > room(el) + 1)
      faults.push(`field "${nameOf(el)}" shows ${el.value} in ${Math.round(room(el))} px`);
  for (const el of document.querySelectorAll('select')) {
    const text = el.selectedOptions[0]?.textContent ?? '';
    // The arrow of a list takes room as well. Long choices stand in full beside the pointer.
    if (isShown(el) && (!el.title || room(el) < 60) && widthOf(text, el) > room(el) - 12) faults.push(`list "${nameOf(el)}" shows ${text}`);
  }

  const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  const range = document.createRange();
  for (let node = texts.nextNode(); node; node = texts.nextNode()) {
    const el = node.parentElement;
    // Names may be cut where they stand in full beside the pointer.
    const isWords = el?.closest('[title]')?.title.includes(node.textContent.trim());
    if (!node.textContent.trim() || !el || isWords || el.closest('svg, math, option, script, style, textarea') || !isShown(el)) continue;
    range.selectNodeContents(node);
    const r = range.getBoundingClientRect();
    const clip = clipOf(el);
    if (clip && (r.right > clip.right + 1.5 || r.left < clip.left - 1.5)) faults.push(`cut: "${node.textContent.trim().slice(0, 70)}"`);
  }

  for (const svg of document.querySelectorAll('svg')) {
    if (!isShown(svg)) continue;
    const frame = svg.getBoundingClientRect();
    const isClipped = getComputedStyle(svg).overflow !== 'visible';
    const labels = [...svg.querySelectorAll('text')]
      .filter((t) => t.textContent.trim() && isShown(t))
      .map((t) => ({ text: t.textContent.trim(), box: t.getBoundingClientRect(), m: t.getScreenCTM() }))
      // What is turned has no upright box.
      .filter(({ m }) => Math.abs(m.b) < 1e-6);
    labels.forEach((a, i) => {
      if (isClipped && (a.box.right > frame.right + 2 || a.box.left < frame.left - 2)) faults.push(`drawing cuts "${a.text}"`);
      for (const b of labels.slice(i + 1)) {
        const across = Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left);
        const down = Math.min(a.box.bottom, b.box.bottom) - Math.max(a.box.top, b.box.top);
        // Boxes of letters are higher than what is inked.
        if (across > 2 && down > 0.35 * Math.min(a.box.height, b.box.height)) faults.push(`drawing: "${a.text}" lies on "${b.text}"`);
      }
    });
  }
  // Titles of strips stand beside the figures of their axis.
  for (const strip of document.querySelectorAll('[data-strip]')) {
    const figures = [...strip.querySelectorAll('svg text')].filter((t) => t.textContent.trim() && isShown(t));
    for (const title of strip.querySelectorAll('b, span')) {
      range.selectNodeContents(title);
      for (const line of range.getClientRects())
        for (const figure of figures) {
          const box = figure.getBoundingClientRect();
          const across = Math.min(line.right, box.right) - Math.max(line.left, box.left);
          const down = Math.min(line.bottom, box.bottom) - Math.max(line.top, box.top);
          if (across > 1 && down > 0.35 * box.height) faults.push(`"${title.textContent}" lies on "${figure.textContent}"`);
        }
    }
  }
  return [...new Set(faults)];
}
