/** Finds faces, their points and the subject by small networks that ship with the application. */
package carezza.face;
