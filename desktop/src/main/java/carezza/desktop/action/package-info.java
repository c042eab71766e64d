/** All that can be done, once: names, keys, menus. */
package carezza.desktop.action;
