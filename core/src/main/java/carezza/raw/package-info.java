/** Raw photographs: from what a camera's sensor counted to light in the working space. */
package carezza.raw;
