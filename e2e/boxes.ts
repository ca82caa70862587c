import type { Page } from '@playwright/test';

/** What is wrong with how a page is laid out, each with the words it concerns. */
export type BoxFault = string;

/**
 * Compares the boxes of everything that is read or pressed on a page: sideways scroll, bars that
 * scroll away, text that is cut off, text over text, things to press that something else covers or that are too small for a
 * finger. What is cut on purpose, with dots, is left out, and what has been scrolled away.
 */
export function boxFaults(page: Page): Promise<readonly BoxFault[]> {
  return page.evaluate(() => {
    const SLACK_PX = 1.5;
    const faults: string[] = [];
    const short = (text: string) => text.replace(/\s+/g, ' ').trim().slice(0, 48);
    const wide = document.documentElement.scrollWidth - window.innerWidth;
    if (wide > SLACK_PX) faults.push(`the page scrolls sideways by ${wide} px`);
    // In a low window the bars scroll with the page; else only what is between them does.
    const high = document.documentElement.scrollHeight - window.innerHeight;
    if (high > SLACK_PX && !window.matchMedia('(height < 30rem)').matches)
      faults.push(`the bars scroll away: the page is ${high} px higher than its window`);

    /** Dialogs make what is behind them no matter of reading. */
    const top = document.querySelector('[role="dialog"], [role="menu"]');
    const inPlay = (element: Element) =>
      (top === null || top.contains(element)) &&
      element.closest('.visually-hidden, .sr-only, [aria-hidden="true"], [inert]') === null &&
      // What a closed fold holds has boxes, but is not there to be seen.
      element.checkVisibility({ opacityProperty: true, visibilityProperty: true });

    interface Box {
      readonly left: number;
      readonly top: number;
      readonly right: number;
      readonly bottom: number;
    }
    const meet = (one: Box, other: Box): Box => ({
      left: Math.max(one.left, other.left),
      top: Math.max(one.top, other.top),
      right: Math.min(one.right, other.right),
      bottom: Math.min(one.bottom, other.bottom),
    });
    const size = (box: Box) =>
      Math.max(0, box.right - box.left) * Math.max(0, box.bottom - box.top);
    const clips = (style: CSSStyleDeclaration) =>
      `${style.overflowX} ${style.overflowY}` !== 'visible visible';
    /** The part of a box that is in sight, and what cuts it without a way to scroll to it. */
    const seen = (element: Element, box: Box): { box: Box; cutBy: Element | null } => {
      let shown = meet(box, {
        left: 0,
        top: 0,
        right: window.innerWidth,
        bottom: window.innerHeight,
      });
      let cutBy: Element | null = null;
      for (let at = element.parentElement; at !== null; at = at.parentElement) {
        const style = getComputedStyle(at);
        if (at === document.body || at === document.documentElement || !clips(style)) continue;
        const clip = at.getBoundingClientRect();
        const isOver =
          (style.overflowX === 'hidden' || style.overflowX === 'clip'
            ? box.right > clip.right + SLACK_PX || box.left < clip.left - SLACK_PX
            : false) ||
          (style.overflowY === 'hidden' || style.overflowY === 'clip'
            ? box.bottom > clip.bottom + 3 || box.top < clip.top - 3
            : false);
        const onPurpose = style.textOverflow === 'ellipsis' || style.webkitLineClamp !== 'none';
        if (isOver && !onPurpose) cutBy ??= at;
        shown = meet(shown, clip);
      }
      return { box: shown, cutBy };
    };

    interface Words {
      readonly text: string;
      readonly element: Element;
      readonly box: Box;
    }
    const words: Words[] = [];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node !== null; node = walker.nextNode()) {
      const text = short(node.textContent ?? '');
      const element = node.parentElement;
      if (text === '' || element === null || !inPlay(element)) continue;
      const range = document.createRange();
      range.selectNodeContents(node);
      for (const rect of range.getClientRects()) {
        if (rect.width < 2 || rect.height < 2) continue;
        // The line's box is taller than its letters.
        const inset = rect.height * 0.2;
        const box = {
          left: rect.left + 1,
          right: rect.right - 1,
          top: rect.top + inset,
          bottom: rect.bottom - inset,
        };
        const { box: shown, cutBy } = seen(element, box);
        if (cutBy !== null) faults.push(`“${text}” is cut off`);
        if (size(shown) > 0) words.push({ text, element, box: shown });
      }
    }
    for (const [index, one] of words.entries()) {
      for (const other of words.slice(index + 1)) {
        if (one.element === other.element) continue;
        const both = meet(one.box, other.box);
        if (both.right - both.left < 2 || both.bottom - both.top < 2) continue;
        // A bar that is scrolled under hides what it lies over: then only one of them is seen.
        const x = (both.left + both.right) / 2;
        const y = (both.top + both.bottom) / 2;
        const front = document.elementsFromPoint(x, y);
        const bar = front.find((element) => {
          const { position, backgroundColor } = getComputedStyle(element);
          return position !== 'static' && backgroundColor !== 'rgba(0, 0, 0, 0)';
        });
        if (bar?.contains(one.element) !== bar?.contains(other.element)) continue;
        faults.push(`“${one.text}” lies over “${other.text}”`);
      }
    }

    const PRESSED = 'button, a[href], input, select, textarea, summary, [role="button"]';
    const needPx = matchMedia('(pointer: coarse)').matches ? 44 : 0;
    for (const element of document.querySelectorAll(PRESSED)) {
      if (!inPlay(element) || !(element instanceof HTMLElement || element instanceof SVGElement))
        continue;
      const rect = element.getBoundingClientRect();
      if (rect.width < 1 || rect.height < 1) continue;
      const name = short(element.getAttribute('aria-label') ?? element.textContent);
      const { box } = seen(element, rect);
      const x = (box.left + box.right) / 2;
      const y = (box.top + box.bottom) / 2;
      // Half of it at least is in sight: else it waits to be scrolled to.
      if (size(box) >= size(rect) / 2) {
        const found = document.elementFromPoint(x, y);
        const label = element.closest('label');
        const isFree =
          found === null ||
          element.contains(found) ||
          found.contains(element) ||
          label?.contains(found) === true ||
          getComputedStyle(element).pointerEvents === 'none';
        const isUnderBar = [...document.elementsFromPoint(x, y)].some(
          (one) => getComputedStyle(one).position === 'sticky' && !one.contains(element),
        );
        if (!isFree && !isUnderBar) faults.push(`“${name}” is covered by ${found.tagName}`);
      }
      const isInText = getComputedStyle(element).display === 'inline';
      const target = element.closest('label')?.getBoundingClientRect() ?? rect;
      const fits = target.width >= needPx - 0.5 && target.height >= needPx - 0.5;
      if (needPx > 0 && !isInText && !fits && !(element instanceof SVGElement))
        faults.push(
          `“${name}” is ${target.width.toFixed(0)} by ${target.height.toFixed(0)} px for a finger`,
        );
    }
    return [...new Set(faults)];
  });
}
