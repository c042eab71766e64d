package carezza.desktop.view.set;

import java.util.ArrayList;
import java.util.List;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;

import carezza.desktop.set.SetLook;
import carezza.desktop.set.SetState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.style.TextSize;
import carezza.set.Figures;
import carezza.set.Member;
import carezza.set.PictureSet;

/** The pictures of a set, row by row; only rows in sight have cards. */
final class MemberGrid extends ListView<List<Member>> implements AutoCloseable {

  private static final double GAP = 10;

  private final SetState state;
  private final Runnable open;
  private final Subscriptions subscriptions = new Subscriptions();
  private final IntegerProperty columns = new SimpleIntegerProperty(1);

  /**
   * @param open opens the member in hand
   */
  MemberGrid(SetState state, Runnable open) {
    this.state = state;
    this.open = open;
    setId("set-grid");
    getStyleClass().add("set-grid");
    setAccessibleText(SetWords.TEXTS.get("grid"));
    setCellFactory(list -> new Row());
    setFixedCellSize(TextSize.px(MemberCard.HEIGHT) + GAP);
    widthProperty()
        .subscribe(
            w ->
                columns.set(
                    Math.max(
                        1,
                        (int)
                            ((w.doubleValue() - 24) / (TextSize.px(MemberCard.SIDE) + GAP + 4)))));
    subscriptions.on(this::lay, state.shownProperty(), columns);
    subscriptions.on(this::refresh, state.chosenProperty(), state.setProperty());
    addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    lay();
  }

  /** Looks came. */
  void looked() {
    refresh();
  }

  private void lay() {
    List<Member> all = state.shownProperty().get();
    List<List<Member>> rows = new ArrayList<>();
    for (int i = 0; i < all.size(); i += columns.get()) {
      rows.add(all.subList(i, Math.min(all.size(), i + columns.get())));
    }
    getItems().setAll(rows);
  }

  private void key(KeyEvent e) {
    int step =
        switch (e.getCode()) {
          case LEFT -> -1;
          case RIGHT -> 1;
          case UP -> -columns.get();
          case DOWN -> columns.get();
          default -> 0;
        };
    if (step != 0 && !e.isShortcutDown() && !e.isShiftDown()) {
      step(step);
      e.consume();
    } else if (e.getCode() == javafx.scene.input.KeyCode.ENTER) {
      open.run();
      e.consume();
    }
  }

  private void step(int by) {
    List<Member> all = state.shownProperty().get();
    if (all.isEmpty()) {
      return;
    }
    int at = state.current().map(all::indexOf).orElse(-1);
    int next = Math.clamp((long) at + by, 0, all.size() - 1);
    state.choose(List.of(all.get(next).photograph()));
    scrollTo(Math.max(0, next / columns.get() - 1));
  }

  @Override
  public void close() {
    subscriptions.close();
  }

  /** One row of cards, kept and filled anew. */
  private final class Row extends ListCell<List<Member>> {

    private final HBox cards = new HBox(GAP);

    @Override
    protected void updateItem(List<Member> members, boolean empty) {
      super.updateItem(members, empty);
      if (empty || members == null) {
        setGraphic(null);
        return;
      }
      while (cards.getChildren().size() > members.size()) {
        cards.getChildren().removeLast();
      }
      while (cards.getChildren().size() < members.size()) {
        cards.getChildren().add(card());
      }
      PictureSet set = state.setProperty().get();
      Figures reference = state.reference().orElse(null);
      for (int i = 0; i < members.size(); i++) {
        Member member = members.get(i);
        SetLook look = state.looks().get(member.photograph());
        ((MemberCard) cards.getChildren().get(i))
            .show(
                member,
                look,
                reference,
                set != null && member.photograph().equals(set.reference()),
                state.chosenProperty().get().contains(member.photograph()),
                state.missingProperty().get().contains(member.photograph()));
      }
      setGraphic(cards);
    }

    private MemberCard card() {
      MemberCard card = new MemberCard();
      card.addEventHandler(MouseEvent.MOUSE_PRESSED, e -> pressed(card, e));
      return card;
    }

    private void pressed(MemberCard card, MouseEvent e) {
      Member member = card.member();
      if (member == null || e.getButton() != MouseButton.PRIMARY) {
        return;
      }
      MemberGrid.this.requestFocus();
      if (e.isShiftDown()) {
        state.choose(between(member));
      } else if (e.isShortcutDown()) {
        state.chooseToo(member.photograph());
      } else {
        state.choose(List.of(member.photograph()));
        if (e.getClickCount() == 2) {
          open.run();
        }
      }
    }

    /** From the member in hand to this one, as they are shown. */
    private List<String> between(Member to) {
      List<Member> all = state.shownProperty().get();
      int there = all.indexOf(to);
      int from = Math.max(0, state.current().map(all::indexOf).orElse(there));
      List<String> some = new ArrayList<>();
      for (int i = Math.min(from, there); i <= Math.max(from, there); i++) {
        some.add(all.get(i).photograph());
      }
      if (there < from) {
        java.util.Collections.reverse(some);
      }
      return some;
    }
  }
}
