package carezza.desktop.control;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import javafx.collections.ListChangeListener;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.layout.Pane;

import org.testng.annotations.Test;

/** What stays in a pane when other nodes are wanted. */
public class ChildrenTest {

  private static List<Node> nodes(int count) {
    List<Node> nodes = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      nodes.add(new Group());
    }
    return nodes;
  }

  @Test
  public void anyWantedOrderIsReached() {
    Random random = new Random(3);
    List<Node> all = nodes(8);
    Pane pane = new Pane();
    for (int round = 0; round < 200; round++) {
      List<Node> wanted = new ArrayList<>(all);
      Collections.shuffle(wanted, random);
      wanted = wanted.subList(0, random.nextInt(9));
      Children.show(pane, wanted);
      assertThat(pane.getChildren()).containsExactlyElementsOf(wanted);
    }
  }

  @Test
  public void whatStaysIsNotTakenOut() {
    List<Node> all = nodes(5);
    Pane pane = new Pane();
    Children.show(pane, all.subList(0, 4));
    List<Node> touched = new ArrayList<>();
    pane.getChildren()
        .addListener(
            (ListChangeListener<Node>)
                change -> {
                  while (change.next()) {
                    touched.addAll(change.getRemoved());
                    touched.addAll(change.getAddedSubList());
                  }
                });
    Children.show(pane, List.of(all.get(0), all.get(4), all.get(2), all.get(3)));
    assertThat(touched).containsExactlyInAnyOrder(all.get(1), all.get(4));
  }
}
