package carezza.measure.fault;

import carezza.colour.Lab;
import carezza.colour.Transfer;
import carezza.measure.EndPoints;

/** How far a portrait is exposed below or above what its lights and its eyes suggest. */
public final class ExposureEstimate {

  /** Share of white that the whites of the eyes throw back in a well exposed portrait. */
  private static final double SCLERA = 0.30;

  private ExposureEstimate() {}

  /**
   * Stops to add: the mean of what takes the lightest tones to white and what takes the whites of
   * the eyes to where they usually lie; of the first alone where no eyes are seen.
   *
   * @param ends of the whole picture
   * @param sclera median colour, or NaN
   */
  public static double stops(EndPoints ends, Lab sclera) {
    double lights = log2(1 / Math.max(1e-3, Transfer.toLinear((float) ends.white())));
    if (Double.isNaN(sclera.l())) {
      return lights;
    }
    double eyes = log2(SCLERA / Math.max(1e-3, Lab.cube((sclera.l() + 16) / 116)));
    return (lights + eyes) / 2;
  }

  private static double log2(double v) {
    return Math.log(v) / Math.log(2);
  }
}
