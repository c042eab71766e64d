package carezza.press;

/** How colours that a press cannot print become such as it can (ICC.1, rendering intents). */
public enum Intent {
  /** All colours move together, so that steps between them stay. */
  PERCEPTUAL,
  /** Printable colours stay as they are over the paper's white; others become the nearest. */
  COLORIMETRIC
}
