package carezza.model;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Declares a number of a layer, once, at the component of its record: what the constructor checks,
 * what files are held to, the row of the panel and the line of its documentation come from here.
 * Read by {@link Parameters}.
 */
@Target(ElementType.RECORD_COMPONENT)
@Retention(RetentionPolicy.RUNTIME)
public @interface Parameter {

  Unit unit() default Unit.SHARE;

  /** The smallest value that is taken. */
  double least() default 0;

  /** The largest value that is taken. */
  double most() default 1;

  /** Where its slider begins; {@link #least} if left out. */
  double low() default Double.NaN;

  /** Where its slider ends; {@link #most} if left out. */
  double high() default Double.NaN;

  /** What a new layer begins with; NaN where it is left open. */
  double usual() default 0;

  /** A step of the keys and the wheel; its decimals are those that are shown. */
  double step() default 0.01;
}
