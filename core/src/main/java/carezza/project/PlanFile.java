package carezza.project;

import java.util.List;
import java.util.Locale;
import java.util.Map;

import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

import carezza.measure.Blemish;
import carezza.model.Brief;
import carezza.model.Layer;
import carezza.plan.Finding;
import carezza.plan.Plan;

/** A plan as JSON, as docs/format.md describes it; null stands for an open end of a band. */
public final class PlanFile {

  private static final int DIGITS = 4;

  private PlanFile() {}

  /**
   * @param treatments layers that would treat a finding, by its key; none for what nothing treats
   */
  public static byte[] text(Plan plan, Brief brief, Map<String, List<Layer>> treatments) {
    ObjectNode root = JsonMapper.shared().createObjectNode();
    root.put("job", plan.job().id());
    root.put("longEdge", brief.longEdge());
    root.put("budget", plan.budget());
    ModelJson.number(root, "minutes", plan.minutes(plan.open()), DIGITS);
    ModelJson.number(root, "proposedMinutes", plan.minutes(plan.proposed()), DIGITS);
    ArrayNode findings = root.putArray("findings");
    for (Finding finding : plan.findings()) {
      ObjectNode node = findings.addObject();
      node.put("key", finding.key());
      node.put("kind", finding.kind().key());
      node.put("part", finding.now().part());
      node.put("stage", finding.kind().stage().name().toLowerCase(Locale.ROOT));
      ModelJson.number(node, "asShot", finding.asShot().value(), DIGITS);
      ModelJson.number(node, "now", finding.now().value(), DIGITS);
      node.put("unit", finding.kind().unit());
      ObjectNode band = node.putObject("band");
      ModelJson.number(band, "low", finding.now().band().low(), DIGITS);
      ModelJson.number(band, "high", finding.now().band().high(), DIGITS);
      if (finding.now().place() != null) {
        ObjectNode place = node.putObject("place");
        ModelJson.number(place, "x", finding.now().place().x(), DIGITS);
        ModelJson.number(place, "y", finding.now().place().y(), DIGITS);
        ModelJson.number(place, "radius", finding.now().radius(), DIGITS);
      }
      ModelJson.number(node, "severity", finding.severity(), DIGITS);
      ModelJson.number(node, "visible", finding.visible(), DIGITS);
      ModelJson.number(node, "minutes", finding.minutes(), DIGITS);
      node.put("state", finding.state().name().toLowerCase(Locale.ROOT));
      if (finding.undoneBy() != null) {
        node.put("undoneBy", finding.undoneBy());
      }
      if (finding.reason() != null) {
        node.put("reason", finding.reason());
      }
      node.put("proposed", plan.proposed().contains(finding));
      spots(node.putArray("spots"), finding.now().spots());
      ArrayNode layers = node.putArray("treatment");
      treatments
          .getOrDefault(finding.key(), List.of())
          .forEach(l -> layers.add(LayerJson.write(l, null)));
    }
    ArrayNode leftOut = root.putArray("leftOut");
    plan.leftOut().forEach(f -> leftOut.add(f.key()));
    spots(root.putArray("marks"), plan.marks());
    ArrayNode unseen = root.putArray("unseen");
    plan.unseen().forEach(r -> unseen.add(r.name().toLowerCase(Locale.ROOT)));
    return ModelJson.text(root);
  }

  private static void spots(ArrayNode list, List<Blemish> spots) {
    for (Blemish spot : spots) {
      ObjectNode node = list.addObject();
      ModelJson.number(node, "x", spot.x(), DIGITS);
      ModelJson.number(node, "y", spot.y(), DIGITS);
      ModelJson.number(node, "radius", spot.radius(), DIGITS);
      ModelJson.number(node, "confidence", spot.confidence(), DIGITS);
    }
  }
}
