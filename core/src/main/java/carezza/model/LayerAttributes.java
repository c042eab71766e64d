package carezza.model;

import java.util.Map;
import java.util.UUID;

import org.jspecify.annotations.Nullable;

import carezza.colour.BlendMode;

/**
 * What every layer has.
 *
 * @param id unique within the stack
 * @param name shown on its card
 * @param stage the column it stands in
 * @param on whether it takes part
 * @param amount 0 no effect … 1 full … 2 pushed to twice the change
 * @param mask where it acts
 * @param blend how its result is laid over what it gets
 * @param group id of the group that it belongs to, or null
 * @param unknown fields of a newer writer that this version does not know, kept for saving
 */
public record LayerAttributes(
    String id,
    String name,
    Stage stage,
    boolean on,
    double amount,
    Mask mask,
    BlendMode blend,
    @Nullable String group,
    Map<String, Object> unknown) {

  public static final double MAX_AMOUNT = 2;

  public LayerAttributes {
    Require.present("id", id);
    Require.present("name", name);
    Require.present("stage", stage);
    Require.present("mask", mask);
    Require.range("amount", amount, 0, MAX_AMOUNT);
    blend = blend == null ? BlendMode.NORMAL : blend;
    unknown = unknown == null ? Map.of() : Map.copyOf(unknown);
  }

  public static LayerAttributes of(String name, Stage stage, Mask mask) {
    return new LayerAttributes(
        freshId(), name, stage, true, 1, mask, BlendMode.NORMAL, null, Map.of());
  }

  /** Under an id that no layer has. */
  public LayerAttributes withFreshId() {
    return withId(freshId());
  }

  private static String freshId() {
    return UUID.randomUUID().toString().substring(0, 8);
  }

  public LayerAttributes withId(String newId) {
    return new LayerAttributes(newId, name, stage, on, amount, mask, blend, group, unknown);
  }

  public LayerAttributes named(String newName) {
    return new LayerAttributes(id, newName, stage, on, amount, mask, blend, group, unknown);
  }

  public LayerAttributes switched(boolean nowOn) {
    return new LayerAttributes(id, name, stage, nowOn, amount, mask, blend, group, unknown);
  }

  public LayerAttributes withAmount(double newAmount) {
    return new LayerAttributes(id, name, stage, on, newAmount, mask, blend, group, unknown);
  }

  public LayerAttributes withMask(Mask newMask) {
    return new LayerAttributes(id, name, stage, on, amount, newMask, blend, group, unknown);
  }

  public LayerAttributes withBlend(BlendMode mode) {
    return new LayerAttributes(id, name, stage, on, amount, mask, mode, group, unknown);
  }

  public LayerAttributes withUnknown(Map<String, Object> fields) {
    return new LayerAttributes(id, name, stage, on, amount, mask, blend, group, fields);
  }

  /**
   * @param newGroup id of a group, or null to belong to none
   */
  public LayerAttributes inGroup(@Nullable String newGroup) {
    return new LayerAttributes(id, name, stage, on, amount, mask, blend, newGroup, unknown);
  }

  public LayerAttributes withStage(Stage newStage) {
    return new LayerAttributes(id, name, newStage, on, amount, mask, blend, group, unknown);
  }
}
