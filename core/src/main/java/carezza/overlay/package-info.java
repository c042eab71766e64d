/** Pictures that are laid over others: those that ship, and those of files. */
package carezza.overlay;
