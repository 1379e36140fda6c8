import type { Page } from 'puppeteer-core';

/** What is cut off at the sides of a page as it stands, in words: what can be seen, and cannot be scrolled to within a part of its own. */
export function clipped(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const told: string[] = [];
    const width = document.documentElement.clientWidth;
    const main = document.querySelector('main')!;
    if (document.documentElement.scrollWidth > width + 1) told.push('the page scrolls sideways');
    if (main.scrollWidth > main.clientWidth + 1) told.push(`the stage scrolls sideways: ${main.scrollWidth} px`);
    for (const element of document.querySelectorAll<HTMLElement>('body *')) {
      if (element.closest('svg, .cm-editor, [aria-hidden=true], option, a[href="#stage"]')) continue;
      const style = getComputedStyle(element);
      const { left, right, height } = element.getBoundingClientRect();
      if (style.visibility === 'hidden' || height === 0 || right === left) continue;
      const hasWords = [...element.childNodes].some((node) => node.nodeType === 3 && node.textContent!.trim() !== '');
      if (!hasWords && !element.matches('input, select, button, textarea, img')) continue;
      let scroller: Element | null = element.parentElement;
      while (scroller && (scroller === main || !/auto|scroll/.test(getComputedStyle(scroller).overflowX)))
        scroller = scroller.parentElement;
      if (!scroller && (right > width + 1 || left < -1))
        told.push(`${element.tagName} “${element.innerText.slice(0, 40)}” is cut off`);
    }
    return told.slice(0, 8);
  });
}
