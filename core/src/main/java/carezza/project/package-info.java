/** Projects on disk: the JSON of the model and the .carezza container. */
package carezza.project;
