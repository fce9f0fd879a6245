// Whether somebody types into a field just now: then no key acts.
export const typing = (target) =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|SELECT|TEXTAREA)$/.test(target.tagName));
