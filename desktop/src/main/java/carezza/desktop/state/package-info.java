/**
 * What the window is about: values that views follow, and the rules between them. Nothing here
 * knows a control.
 */
package carezza.desktop.state;
