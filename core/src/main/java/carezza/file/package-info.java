/**
 * Files: written whole or not at all, originals never, and the folder that is the application's
 * own.
 */
@NullMarked
package carezza.file;

import org.jspecify.annotations.NullMarked;
