package carezza.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;

import org.testng.annotations.Test;

import carezza.kernel.LayerType;

public class LayerGroupsTest {

  private static Layer layer(String id, Stage stage) {
    return LayerType.CURVE
        .fresh()
        .with(LayerAttributes.of(id, stage, new Mask.Everything()).withId(id));
  }

  private static Layer in(String group, Layer layer) {
    return layer.with(layer.attributes().inGroup(group));
  }

  private static Layer group(String id, Stage stage) {
    return new GroupLayer(LayerAttributes.of(id, stage, new Mask.Everything()).withId(id));
  }

  private static List<String> ids(LayerStack stack) {
    return stack.layers().stream().map(l -> l.attributes().id()).toList();
  }

  private static String groupOf(LayerStack stack, String id) {
    return stack.find(id).orElseThrow().attributes().group();
  }

  /** a, a group g of b and a group h of c and d, e. */
  private static LayerStack nested() {
    return LayerStack.of(
        layer("a", Stage.GRADE),
        in("g", layer("b", Stage.GRADE)),
        in("h", layer("c", Stage.GRADE)),
        in("h", layer("d", Stage.GRADE)),
        in("g", group("h", Stage.GRADE)),
        group("g", Stage.GRADE),
        layer("e", Stage.GRADE));
  }

  @Test
  public void membersComeRightBelowTheirGroupWhereverTheyStood() {
    LayerStack stack =
        LayerStack.of(
            group("g", Stage.GRADE),
            layer("a", Stage.GRADE),
            in("g", layer("b", Stage.GRADE)),
            in("g", layer("c", Stage.GRADE)));
    assertThat(ids(stack)).containsExactly("b", "c", "g", "a");
    assertThat(stack.members("g")).containsExactlyInAnyOrder("b", "c");
  }

  @Test
  public void aGroupThatIsNoneOrInAnotherStageOrWithinItselfIsLeft() {
    LayerStack stack =
        LayerStack.of(
            in("nowhere", layer("a", Stage.GRADE)),
            in("b", layer("c", Stage.GRADE)),
            layer("b", Stage.GRADE),
            group("f", Stage.FINISH),
            in("f", layer("d", Stage.GRADE)),
            in("q", group("p", Stage.GRADE)),
            in("p", group("q", Stage.GRADE)),
            in("r", group("r", Stage.GRADE)));
    assertThat(stack.layers()).allMatch(l -> l.attributes().group() == null);
    assertThat(stack.size()).isEqualTo(8);
  }

  @Test
  public void membersOfAGroupWithinAreMembersToo() {
    assertThat(nested().members("g")).containsExactlyInAnyOrder("b", "h", "c", "d");
    assertThat(nested().members("h")).containsExactlyInAnyOrder("c", "d");
    assertThat(nested().members("a")).isEmpty();
  }

  @Test
  public void groupingTakesTheNeighbourBelowOneByOne() {
    LayerStack three =
        LayerStack.of(layer("a", Stage.GRADE), layer("b", Stage.GRADE), layer("c", Stage.GRADE));
    LayerStack two = three.grouped("c", "Group");
    String group = groupOf(two, "c");
    assertThat(ids(two)).containsExactly("a", "b", "c", group);
    assertThat(groupOf(two, "b")).isEqualTo(group);
    LayerStack all = two.grouped(group, "Group");
    assertThat(groupOf(all, "a")).isEqualTo(group);
    assertThat(all.size()).isEqualTo(4);
  }

  @Test
  public void aLayerJoinsTheGroupBelowIt() {
    LayerStack stack = nested().grouped("e", "Group");
    assertThat(groupOf(stack, "e")).isEqualTo("g");
    assertThat(ids(stack)).containsExactly("a", "b", "c", "d", "h", "e", "g");
  }

  @Test
  public void aLayerAloneIsGroupedByItself() {
    LayerStack stack = LayerStack.of(layer("a", Stage.GRADE), layer("z", Stage.FINISH));
    LayerStack grouped = stack.grouped("z", "Group");
    assertThat(grouped.members(groupOf(grouped, "z"))).containsExactly("z");
    assertThat(groupOf(grouped, "a")).isNull();
  }

  @Test
  public void aDissolvedGroupLeavesItsMembersInTheGroupAround() {
    LayerStack stack = nested().ungrouped("h");
    assertThat(ids(stack)).containsExactly("a", "b", "c", "d", "g", "e");
    assertThat(stack.members("g")).containsExactlyInAnyOrder("b", "c", "d");
  }

  @Test
  public void aMemberTakenOutStandsAboveItsGroup() {
    LayerStack stack = nested().ungrouped("c");
    assertThat(ids(stack)).containsExactly("a", "b", "d", "h", "c", "g", "e");
    assertThat(groupOf(stack, "c")).isEqualTo("g");
  }

  @Test
  public void aGroupMovesWithItsMembersPastItsNeighbour() {
    assertThat(ids(nested().moved("g", 1))).containsExactly("a", "e", "b", "c", "d", "h", "g");
    assertThat(ids(nested().moved("g", -1))).containsExactly("b", "c", "d", "h", "g", "a", "e");
    assertThat(ids(nested().moved("a", 1))).containsExactly("b", "c", "d", "h", "g", "a", "e");
  }

  @Test
  public void aGroupMovesIntoTheNextStageWhole() {
    LayerStack stack = nested().moved("g", 1).moved("g", 1);
    for (String id : List.of("b", "c", "d", "h", "g")) {
      assertThat(stack.find(id).orElseThrow().attributes().stage()).isEqualTo(Stage.BRIGHTEN);
    }
    assertThat(stack.members("g")).hasSize(4);
    assertThat(stack.through(Stage.GRADE)).isEqualTo(2);
  }

  @Test
  public void atTheEndOfItsGroupALayerLeavesIt() {
    LayerStack up = nested().moved("d", 1);
    assertThat(ids(up)).containsExactly("a", "b", "c", "h", "d", "g", "e");
    assertThat(groupOf(up, "d")).isEqualTo("g");
    LayerStack down = nested().moved("b", -1);
    assertThat(ids(down)).containsExactly("a", "b", "c", "d", "h", "g", "e");
    assertThat(groupOf(down, "b")).isNull();
  }

  @Test
  public void aLayerDroppedBetweenMembersBecomesOne() {
    LayerStack stack = nested().moved("e", Stage.GRADE, 3);
    assertThat(ids(stack)).containsExactly("a", "b", "c", "e", "d", "h", "g");
    assertThat(groupOf(stack, "e")).isEqualTo("h");
    assertThat(groupOf(nested().moved("e", Stage.GRADE, 1), "e")).isNull();
    assertThat(groupOf(nested().moved("a", Stage.GRADE, 5), "a")).isNull();
    assertThat(groupOf(nested().moved("a", Stage.GRADE, 4), "a")).isEqualTo("g");
  }

  @Test
  public void aDoubledGroupHasMembersOfItsOwnAndKeepsItsLinks() {
    Mask follows = new Mask.ChangeMask("b", 2);
    LayerStack stack =
        nested().edit("c", l -> l.with(l.attributes().withMask(follows))).doubled("g");
    assertThat(stack.size()).isEqualTo(12);
    String copy = ids(stack).get(10);
    assertThat(stack.members(copy)).hasSize(4).doesNotContainAnyElementsOf(nested().members("g"));
    String copiedB = ids(stack).get(6);
    assertThat(stack.layers().get(7).attributes().mask())
        .isEqualTo(new Mask.ChangeMask(copiedB, 2));
  }

  @Test
  public void aGroupGoesWithItsMembers() {
    assertThat(ids(nested().without("g"))).containsExactly("a", "e");
    assertThat(ids(nested().without("h"))).containsExactly("a", "b", "g", "e");
  }

  @Test
  public void membersOfAGroupThatIsOffDoNotAct() {
    LayerStack stack = nested().edit("g", l -> l.with(l.attributes().switched(false))).acting();
    assertThat(stack.layers().stream().filter(Layer::acts).map(l -> l.attributes().id()))
        .containsExactly("a", "e");
  }

  @Test
  public void everyStackMayBeCutAnywhere() {
    for (int count = 0; count <= nested().size(); count++) {
      assertThat(nested().lowest(count).size()).isEqualTo(count);
    }
    assertThat(groupOf(nested().lowest(4), "d")).isNull();
  }
}
