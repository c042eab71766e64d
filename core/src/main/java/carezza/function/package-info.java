/** Functions of one number, tabulated for loops over pixels. */
package carezza.function;
