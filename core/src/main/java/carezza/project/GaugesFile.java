package carezza.project;

import java.util.List;
import java.util.Locale;

import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

import carezza.job.JobLevel;
import carezza.kernel.SeparationRadiusAdvisor.Advice;
import carezza.kernel.SeparationRadiusAdvisor.Step;
import carezza.measure.Distraction;
import carezza.measure.Gauge;

/** Gauges as JSON, as docs/format.md describes it; null stands for what could not be measured. */
public final class GaugesFile {

  private static final int DIGITS = 6;

  private GaugesFile() {}

  /**
   * @param advice on the radius of a separation, in photograph pixels
   * @param distractions of the finished picture, the strongest first
   */
  public static byte[] text(
      List<Gauge> gauges, Advice advice, List<Distraction> distractions, JobLevel job) {
    ObjectNode root = JsonMapper.shared().createObjectNode();
    root.put("job", job.title());
    ArrayNode list = root.putArray("gauges");
    for (Gauge g : gauges) {
      ObjectNode node = list.addObject();
      node.put("id", g.id());
      node.put("unit", g.unit());
      node.put("region", g.where());
      ModelJson.number(node, "before", g.before(), DIGITS);
      ModelJson.number(node, "after", g.after(), DIGITS);
      if (g.band() == null) {
        node.putNull("band");
      } else {
        ObjectNode band = node.putObject("band");
        ModelJson.number(band, "low", g.band().low(), DIGITS);
        ModelJson.number(band, "high", g.band().high(), DIGITS);
      }
      node.put("verdict", g.verdict().name().toLowerCase(Locale.ROOT));
    }
    ObjectNode radius = root.putObject("separationRadius");
    ModelJson.number(radius, "advised", advice.advised(), DIGITS);
    ModelJson.number(radius, "from", advice.from(), DIGITS);
    ModelJson.number(radius, "to", advice.to(), DIGITS);
    ArrayNode curve = radius.putArray("curve");
    for (Step step : advice.curve()) {
      ObjectNode node = curve.addObject();
      ModelJson.number(node, "sigma", step.sigma(), DIGITS);
      ModelJson.number(node, "textureLeft", step.residual(), DIGITS);
      ModelJson.number(node, "colourLeak", step.leak(), DIGITS);
    }
    ArrayNode places = root.putArray("distractions");
    for (Distraction d : distractions) {
      ObjectNode node = places.addObject();
      node.put("kind", d.kind().name().toLowerCase(Locale.ROOT));
      ModelJson.number(node, "x", d.place().x(), DIGITS);
      ModelJson.number(node, "y", d.place().y(), DIGITS);
      ModelJson.number(node, "radius", d.radius(), DIGITS);
      ModelJson.number(node, "strength", d.strength(), DIGITS);
    }
    return ModelJson.text(root);
  }
}
