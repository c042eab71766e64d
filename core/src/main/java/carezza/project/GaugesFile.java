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
      number(node, "before", g.before());
      number(node, "after", g.after());
      if (g.band() == null) {
        node.putNull("band");
      } else {
        ObjectNode band = node.putObject("band");
        number(band, "low", g.band().low());
        number(band, "high", g.band().high());
      }
      node.put("verdict", g.verdict().name().toLowerCase(Locale.ROOT));
    }
    ObjectNode radius = root.putObject("separationRadius");
    number(radius, "advised", advice.advised());
    number(radius, "from", advice.from());
    number(radius, "to", advice.to());
    ArrayNode curve = radius.putArray("curve");
    for (Step step : advice.curve()) {
      ObjectNode node = curve.addObject();
      number(node, "sigma", step.sigma());
      number(node, "textureLeft", step.residual());
      number(node, "colourLeak", step.leak());
    }
    ArrayNode places = root.putArray("distractions");
    for (Distraction d : distractions) {
      ObjectNode node = places.addObject();
      node.put("kind", d.kind().name().toLowerCase(Locale.ROOT));
      number(node, "x", d.place().x());
      number(node, "y", d.place().y());
      number(node, "radius", d.radius());
      number(node, "strength", d.strength());
    }
    return ModelJson.text(root);
  }

  private static void number(ObjectNode node, String name, double value) {
    if (Double.isFinite(value)) {
      node.put(name, Math.round(value * 1e6) / 1e6);
    } else {
      node.putNull(name);
    }
  }
}
