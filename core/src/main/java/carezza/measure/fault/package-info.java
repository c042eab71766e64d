/** What may be wrong in a portrait: the readings that a plan rests on. */
@NullMarked
package carezza.measure.fault;

import org.jspecify.annotations.NullMarked;
