/** Picture files in and out, always by way of the working space. */
package carezza.codec;
