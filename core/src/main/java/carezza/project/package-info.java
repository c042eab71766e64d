/** Projects on disk: the JSON of the model and the .carezza container. */
@NullMarked
package carezza.project;

import org.jspecify.annotations.NullMarked;
