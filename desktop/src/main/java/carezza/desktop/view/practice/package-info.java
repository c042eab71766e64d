/** Exercises, the eye test, the first week's lessons and the pages that explain every layer. */
package carezza.desktop.view.practice;
