/** Pixels and their places: areas, planes, pictures. Knows nothing of colour, files or layers. */
package carezza.image;
