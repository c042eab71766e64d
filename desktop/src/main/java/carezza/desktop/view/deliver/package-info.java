/** Where the finished picture is written. */
package carezza.desktop.view.deliver;
