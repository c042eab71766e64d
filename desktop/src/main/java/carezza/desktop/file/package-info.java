/**
 * Opening, saving and keeping: documents, what the user's folder holds, and files that are asked
 * for.
 */
@NullMarked
package carezza.desktop.file;

import org.jspecify.annotations.NullMarked;
