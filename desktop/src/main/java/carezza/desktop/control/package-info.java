/** Controls that take values and know nothing of documents. */
package carezza.desktop.control;
