/** The made-up pictures and the finished project that ship with the application. */
package carezza.desktop.demo;
