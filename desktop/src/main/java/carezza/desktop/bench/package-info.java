/**
 * The bench: the picture, the course of layers at its foot, the panel of the selected layer. Views
 * render from {@link carezza.desktop.bench.BenchModel} and compute nothing themselves.
 */
package carezza.desktop.bench;
