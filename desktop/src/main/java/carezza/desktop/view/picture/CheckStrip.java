package carezza.desktop.view.picture;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import javafx.animation.PauseTransition;
import javafx.beans.property.ObjectProperty;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.util.Duration;

import carezza.desktop.control.Spring;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Comparison;
import carezza.desktop.state.Settings;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.state.Surround;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.measure.CheckView;

/**
 * Ways to see the picture, to judge it by: the favourites with the picture itself, small, seen in
 * each; all of them in a palette. A second click, or the key again, shows the picture as it is.
 */
final class CheckStrip extends VBox {

  private static final Texts TEXTS = Texts.of("picture");

  private static final double LONG_EDGE = 24;
  private static final int MOST_FAVOURITES = 5;
  private static final String SETTING = "ways.favourites";
  private static final List<CheckView> USUAL =
      List.of(CheckView.LIGHT, CheckView.BLOTCH, CheckView.COLOUR, CheckView.REDNESS);

  private static final Duration REST = Duration.millis(200);
  private static final int KEYS = 11;

  private final AppState state;
  private final Settings settings;
  private final Subscriptions subscriptions = new Subscriptions();
  private final HBox favourites = new HBox(3);
  private final Map<CheckView, SmallPicture> pictures = new EnumMap<>(CheckView.class);
  private final Map<CheckView, ToggleButton> buttons = new EnumMap<>(CheckView.class);
  private final List<CheckView> chosen = new ArrayList<>();
  private final WayPalette palette;

  /** While a hand moves, even asking what has changed takes its time. */
  private final PauseTransition rest = new PauseTransition(REST);

  /**
   * @param beside where views are kept
   * @param picture whose zoom is shown
   */
  CheckStrip(AppState state, BesidePictures beside, PictureView picture, Settings settings) {
    this.state = state;
    this.settings = settings;
    setId("checks");
    getStyleClass().add("checks");
    palette = new WayPalette(state, beside, this::turnFavourite);
    favourites.setAlignment(Pos.CENTER_LEFT);
    Button all = new Button(TEXTS.get("checkStrip.all-ways"));
    all.setId("all-ways");
    all.getStyleClass().add("check");
    all.setTooltip(new Tooltip(TEXTS.get("checkStrip.all-ways-of-seeing-the-picture")));
    all.setOnAction(e -> palette.show(all, chosen));
    HBox row = new HBox(6, favourites, all, new Spring(), compareMenu(), zoom(picture));
    row.setAlignment(Pos.CENTER_LEFT);
    Label hint = new Label();
    hint.setId("check-hint");
    hint.getStyleClass().add("row-words");
    HBox words = new HBox(hint);
    getChildren().addAll(row, words);
    recall();
    build();
    Runnable show =
        () -> {
          CheckView now = state.view().checkProperty().get();
          buttons.forEach((view, button) -> button.setSelected(view == now));
          hint.setText(
              now == null
                  ? ""
                  : chosen.contains(now)
                      ? Names.hint(now)
                      : Names.of(now) + ": " + Names.hint(now));
          words.setManaged(now != null);
          words.setVisible(now != null);
        };
    subscriptions.on(show, state.view().checkProperty());
    rest.setOnFinished(e -> follow());
    subscriptions.on(
        this::begin,
        state.document().commitsProperty(),
        state.document().seenProperty(),
        state.view().playheadProperty());
    show.run();
  }

  private void recall() {
    for (String name : settings.get(SETTING, "").split(",")) {
      for (CheckView way : CheckView.values()) {
        if (way.name().equals(name)) {
          chosen.add(way);
        }
      }
    }
    if (chosen.isEmpty()) {
      chosen.addAll(USUAL);
    }
  }

  /** Keeps a way in sight, or no longer; the oldest makes room. */
  private void turnFavourite(CheckView way) {
    if (!chosen.remove(way)) {
      chosen.add(way);
      if (chosen.size() > MOST_FAVOURITES) {
        chosen.removeFirst();
      }
    }
    settings.set(SETTING, chosen.stream().map(Enum::name).collect(Collectors.joining(",")));
    build();
    follow();
  }

  private void build() {
    pictures.values().forEach(SmallPicture::close);
    pictures.clear();
    buttons.clear();
    favourites.getChildren().clear();
    for (CheckView way : chosen) {
      SmallPicture small = new SmallPicture(state);
      ToggleButton button = new ToggleButton(Names.of(way), small);
      button.setId("check-" + way.name().toLowerCase(Locale.ROOT));
      button.getStyleClass().add("way");
      button.setTooltip(new Tooltip(Names.hint(way) + " (" + key(way) + ")"));
      button.setSelected(state.view().checkProperty().get() == way);
      button.setOnAction(
          e -> {
            state.view().turn(way);
            button.setSelected(state.view().checkProperty().get() == way);
          });
      pictures.put(way, small);
      buttons.put(way, button);
      favourites.getChildren().add(button);
    }
  }

  private void begin() {
    pictures.values().forEach(SmallPicture::rest);
    rest.playFromStart();
  }

  private void follow() {
    if (state.document().seenProperty().get()) {
      pictures.forEach((way, small) -> small.show(way, LONG_EDGE));
    }
  }

  // --- compare and zoom

  private MenuButton compareMenu() {
    MenuButton menu = new MenuButton(TEXTS.get("checkStrip.compare"));
    menu.setId("compare-menu");
    menu.getStyleClass().add("check");
    menu.setTooltip(new Tooltip(TEXTS.get("checkStrip.with-the-settled-picture-mirrored-on")));
    ToggleGroup comparisons = new ToggleGroup();
    for (Comparison how : Comparison.values()) {
      menu.getItems()
          .add(
              radio(
                  "compare-" + how.name().toLowerCase(Locale.ROOT),
                  how == Comparison.NONE ? TEXTS.get("checkStrip.not") : how.title(),
                  comparisons,
                  state.view().comparisonProperty(),
                  how));
    }
    CheckMenuItem mirrored = new CheckMenuItem(TEXTS.get("checkStrip.mirrored"));
    mirrored.setId("mirror");
    mirrored.selectedProperty().bindBidirectional(state.view().mirroredProperty());
    menu.getItems().addAll(new SeparatorMenuItem(), mirrored, new SeparatorMenuItem());
    ToggleGroup surrounds = new ToggleGroup();
    for (Surround on : Surround.values()) {
      String name =
          switch (on) {
            case INTERFACE -> TEXTS.get("checkStrip.on-grey");
            case WHITE -> TEXTS.get("checkStrip.on-white-its-darks-look-darker");
            case BLACK -> TEXTS.get("checkStrip.on-black-its-lights-look-lighter");
          };
      menu.getItems()
          .add(
              radio(
                  "on-" + on.name().toLowerCase(Locale.ROOT),
                  name,
                  surrounds,
                  state.view().surroundProperty(),
                  on));
    }
    return menu;
  }

  private <T> RadioMenuItem radio(
      String id, String title, ToggleGroup group, ObjectProperty<T> value, T own) {
    RadioMenuItem item = new RadioMenuItem(title);
    item.setId(id);
    item.setToggleGroup(group);
    item.setSelected(value.get() == own);
    item.setOnAction(e -> value.set(own));
    subscriptions.on(value, is -> item.setSelected(is == own));
    return item;
  }

  private Button zoom(PictureView picture) {
    Button zoom = new Button(TEXTS.get("checkStrip.fit-2"));
    zoom.setId("zoom");
    zoom.getStyleClass().add("check");
    zoom.setMinWidth(USE_PREF_SIZE);
    zoom.setTooltip(new Tooltip(TEXTS.get("checkStrip.the-whole-picture-or-100-z")));
    zoom.setOnAction(e -> picture.toggleZoom());
    subscriptions.on(
        () ->
            zoom.setText(
                picture.isFitted()
                    ? TEXTS.get("checkStrip.fit", 100 * picture.zoom())
                    : "%.0f %%".formatted(100 * picture.zoom())),
        picture.portProperty());
    return zoom;
  }

  /** The usual key of a way: function keys from F2, then the same with Shift. */
  static String key(CheckView view) {
    int n = view.ordinal();
    return n < KEYS ? "F" + (n + 2) : "Shift+F" + (n - KEYS + 2);
  }

  void close() {
    subscriptions.close();
    rest.stop();
    pictures.values().forEach(SmallPicture::close);
    palette.close();
  }
}
