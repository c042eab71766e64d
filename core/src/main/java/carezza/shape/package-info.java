/** Where each place of a picture comes from after its shape was changed. */
package carezza.shape;
