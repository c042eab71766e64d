/** The made-up pictures and the finished project that ship with the application. */
@NullMarked
package carezza.desktop.demo;

import org.jspecify.annotations.NullMarked;
