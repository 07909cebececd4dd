/**
 * Builds alternates when they are first shown: each stands in a `<template>` where it belongs. Whoever shows comes in, once built and
 * then kept; whoever doesn't is taken out, so no field is there twice. What a visitor typed goes along where both have the field.
 * Which of them show is said by the style sheet alone (`--away`).
 */
export const ALTERNATES_SCRIPT = `(() => {
  const isAway = (place) => getComputedStyle(place).getPropertyValue('--away').trim() === '1';
  const built = new WeakMap();
  const fieldsIn = (root) => [root, ...root.querySelectorAll('*')].filter((one) => one.matches('input[name], select[name], textarea[name]'));
  const isTicked = ({ type }) => type === 'checkbox' || type === 'radio';
  const sameField = (a, b) => a.name === b.name && a.localName === b.localName && (!isTicked(a) || a.value === b.value);

  // What stops being shown loses the focus before anybody is told of the width.
  let focused;
  document.addEventListener('focusin', ({ target }) => {
    focused = target;
  });
  document.addEventListener('focusout', ({ target }) => {
    if (target.checkVisibility()) focused = undefined;
  });

  const carry = (from, to) => {
    const known = fieldsIn(from);
    for (const field of fieldsIn(to)) {
      const other = known.find((one) => sameField(one, field));
      if (!other) continue;
      if (isTicked(field)) field.checked = other.checked;
      else if (field.type !== 'file') field.value = other.value;
      if (other === focused) setTimeout(() => field.focus());
    }
  };

  const turn = () => {
    const coming = [];
    const leaving = [];
    for (const place of document.querySelectorAll('template[data-later]')) {
      const there = built.get(place);
      if (isAway(place)) {
        if (there && there.isConnected) leaving.push({ set: place.dataset.later, node: there });
      } else if (!there || !there.isConnected) coming.push(place);
    }
    for (const place of coming) {
      let node = built.get(place);
      if (!node) {
        node = document.importNode(place.content, true).firstElementChild;
        built.set(place, node);
        document.dispatchEvent(new CustomEvent('alternatebuilt', { detail: place.dataset.later }));
      }
      for (const one of leaving) if (one.set === place.dataset.later) carry(one.node, node);
      place.after(node);
    }
    for (const { node } of leaving) node.remove();
    if (coming.length > 0) turn();
  };

  addEventListener('resize', turn);
  turn();
})();
`;
