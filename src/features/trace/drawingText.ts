/** A drawing by itself, black on white, as a file holds it. @param width and height in units of the drawing */
export function drawingText(drawn: SVGSVGElement, width: number, height: number): string {
  const alone = drawn.cloneNode(true) as SVGSVGElement;
  alone.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  alone.setAttribute('width', String(width));
  alone.setAttribute('height', String(height));
  alone.setAttribute('style', 'color: black; background: white');
  return new XMLSerializer().serializeToString(alone);
}
