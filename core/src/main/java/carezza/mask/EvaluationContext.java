package carezza.mask;

import org.jspecify.annotations.Nullable;

import carezza.image.Area;
import carezza.image.Level;
import carezza.image.PictureSize;
import carezza.job.JobLevel;
import carezza.model.FaceMap;
import carezza.raw.SensorLight;

/**
 * Where rendering takes place: which level of which photograph, and the regions found on it.
 *
 * @param photograph full size
 * @param level of the pyramid; all areas below are in its pixels
 * @param edges of the photograph, for strokes that stay inside them; null to let them pass
 * @param memory of coverages, or null to render each anew
 * @param changes what layers below changed, for masks that follow it
 * @param job whose limits hold
 * @param sensor what the camera's sensor saw, of a raw photograph; null of any other
 */
public record EvaluationContext(
    PictureSize photograph,
    int level,
    Regions regions,
    @Nullable Edges edges,
    @Nullable MaskCache memory,
    @Nullable SensorLight sensor,
    LayerChanges changes,
    JobLevel job) {

  public EvaluationContext(PictureSize photograph, int level, Regions regions) {
    this(photograph, level, regions, null, null, null, LayerChanges.NONE, JobLevel.portrait());
  }

  /** The same photograph at another level, without memory. */
  public EvaluationContext at(int other) {
    return new EvaluationContext(photograph, other, regions, edges, null, sensor, changes, job);
  }

  public EvaluationContext with(Edges other) {
    return new EvaluationContext(photograph, level, regions, other, memory, sensor, changes, job);
  }

  public EvaluationContext with(LayerChanges other) {
    return new EvaluationContext(photograph, level, regions, edges, memory, sensor, other, job);
  }

  public EvaluationContext with(MaskCache other) {
    return new EvaluationContext(photograph, level, regions, edges, other, sensor, changes, job);
  }

  /** Pixels of this level per photograph pixel. */
  public double scale() {
    return Level.scale(level);
  }

  /** The whole picture at this level. */
  public Area whole() {
    return photograph.atLevel(level).area();
  }

  /**
   * Face width in pixels of this level; half the picture's short edge where there is no face map.
   */
  public double faceWidth() {
    double full =
        regions
            .faces()
            .map(FaceMap::faceWidth)
            .orElse(0.5 * Math.min(photograph.width(), photograph.height()));
    return full * scale();
  }
}
