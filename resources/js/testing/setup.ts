/**
 * As browsers say it. The stand-in for a browser writes an element out with all that is in it, and what places lists
 * and bubbles asks every element it meets for its name: half of the time of all tests went there.
 */
Element.prototype.toString = function toString(this: Element): string {
  return `[object ${this.constructor.name}]`
}
