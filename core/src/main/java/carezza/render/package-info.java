/** Renders a stack over any area at any level, and remembers what it rendered. */
package carezza.render;
