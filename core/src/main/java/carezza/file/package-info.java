/**
 * Files: written whole or not at all, originals never, and the folder that is the application's
 * own.
 */
package carezza.file;
