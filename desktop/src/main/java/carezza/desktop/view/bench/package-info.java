/** Where the picture is worked on. */
package carezza.desktop.view.bench;
