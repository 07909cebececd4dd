/**
 * Whether absolutely placed elements inside hold on to an element though its own position is static: it is transformed, filtered or contained
 * (CSS Transforms 2, 4.1; Filter Effects 1, 5; Containment 2, 3.3 and 3.4; Will Change 1, 3).
 */
export const holdsPlaced = (style: CSSStyleDeclaration): boolean =>
  [style.transform, style.translate, style.rotate, style.scale, style.perspective, style.filter, style.backdropFilter].some(
    (value) => value !== '' && value !== 'none',
  ) ||
  /\b(layout|paint|strict|content)\b/.test(style.contain) ||
  /\b(transform|translate|rotate|scale|perspective|filter|backdrop-filter|contain)\b/.test(style.willChange) ||
  /^(auto|hidden)$/.test(style.getPropertyValue('content-visibility'));
