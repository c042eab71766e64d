package carezza.desktop.view.journal;

import java.io.ByteArrayInputStream;
import java.util.Locale;
import java.util.Objects;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

import org.jspecify.annotations.Nullable;

import carezza.desktop.control.Buttons;
import carezza.desktop.control.GaugeBar;
import carezza.desktop.control.Spring;
import carezza.desktop.journal.JournalState;
import carezza.desktop.journal.JournalState.Contents;
import carezza.desktop.sheet.SheetKind;
import carezza.desktop.state.AppState;
import carezza.desktop.style.TextSize;
import carezza.desktop.text.Names;
import carezza.desktop.text.PlanWords;
import carezza.desktop.text.Texts;
import carezza.plan.FindingKind;
import carezza.record.Delivered;
import carezza.record.Pace;
import carezza.studio.JournalEntry;
import carezza.studio.StudioJournal.Pictures;

/** One picture of the journal: before and after, gauges as delivered; and the retoucher's pace. */
final class PicturePanel extends VBox {

  private static final Texts TEXTS = Texts.of("journal");

  private static final double WIDTH = 320;
  private static final double BAR = 272;
  private static final double PICTURE = 140;
  private static final int FEW = 9;

  private final AppState state;
  private final JournalState journal;
  private final Label title = new Label();
  private final HBox pictures = new HBox(6);
  private final Label about = new Label();
  private final VBox gauges = new VBox(5);
  private final VBox pace = new VBox(5);
  private final Button client;
  private final Button studio;

  PicturePanel(AppState state, JournalState journal, Consumer<SheetKind> sheet) {
    super(8);
    this.state = state;
    this.journal = journal;
    setId("journal-picture");
    getStyleClass().addAll("panel", "journal-panel");
    setMinWidth(TextSize.px(WIDTH));
    setMaxWidth(TextSize.px(WIDTH));
    title.getStyleClass().add("title");
    about.setWrapText(true);
    about.setMinHeight(USE_PREF_SIZE);
    client =
        Buttons.of(
            "journal-client",
            TEXTS.get("sheet.client"),
            TEXTS.get("sheet.client.tip"),
            () -> sheet.accept(SheetKind.CLIENT));
    studio =
        Buttons.of(
            "journal-studio",
            TEXTS.get("sheet.studio"),
            TEXTS.get("sheet.studio.tip"),
            () -> sheet.accept(SheetKind.STUDIO));
    VBox rows = new VBox(8, gauges, pace);
    ScrollPane scroll = new ScrollPane(rows);
    scroll.setFitToWidth(true);
    scroll.setFocusTraversable(false);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    rows.setMaxWidth(TextSize.px(BAR));
    VBox.setVgrow(scroll, Priority.ALWAYS);
    getChildren().addAll(title, pictures, about, scroll, new HBox(8, client, studio));
  }

  /** Shows the picture that is looked at. */
  void show(@Nullable Contents contents) {
    String id = journal.selectedProperty().get();
    JournalEntry entry = contents == null ? null : contents.entry(id).orElse(null);
    title.setText(entry == null ? "" : entry.title());
    pictures.getChildren().clear();
    gauges.getChildren().clear();
    pace.getChildren().clear();
    about.setText(entry == null ? "" : about(entry));
    if (entry != null) {
      journal.pictures(entry.id(), found -> show(entry.id(), found));
      gauges(entry);
    }
    if (contents != null) {
      pace(contents.pace());
    }
    boolean atWork =
        entry != null
            && !state.document().isEmpty()
            && state.document().recordProperty().get().id().equals(entry.id());
    client.setDisable(!atWork);
    studio.setDisable(!atWork);
  }

  private void show(String id, Pictures found) {
    if (Objects.equals(id, journal.selectedProperty().get())) {
      pictures.getChildren().clear();
      for (byte[] jpeg : new byte[][] {found.asShot(), found.finished()}) {
        if (jpeg != null) {
          pictures.getChildren().add(picture(jpeg));
        }
      }
    }
  }

  private static ImageView picture(byte[] jpeg) {
    ImageView view = new ImageView(new Image(new ByteArrayInputStream(jpeg)));
    view.setPreserveRatio(true);
    view.setFitWidth(TextSize.px(PICTURE));
    view.setFitHeight(TextSize.px(PICTURE) * 1.3);
    view.setSmooth(true);
    return view;
  }

  private static String about(JournalEntry entry) {
    String job = PlanWords.job(entry.job());
    String time = JournalWords.time(entry.work().active());
    double estimate = entry.work().estimate();
    String took =
        estimate > 0
            ? TEXTS.get("took.of", job, time, PlanWords.minutes(estimate))
            : TEXTS.get("took", job, time);
    return entry.isDelivered()
        ? took + "\n" + TEXTS.get("delivered", entry.work().deliveries().getLast().file())
        : took;
  }

  private void gauges(JournalEntry entry) {
    if (!entry.isDelivered()) {
      return;
    }
    heading(gauges, TEXTS.get("gauges"), "");
    int shown = 0;
    for (Delivered.Read read : entry.work().deliveries().getLast().gauges()) {
      Double before = read.before();
      Double after = read.after();
      boolean judged = read.low() != null || read.high() != null;
      if (before != null && after != null && judged && shown < FEW) {
        shown++;
        boolean out =
            read.low() != null && after < read.low() || read.high() != null && after > read.high();
        Label value =
            new Label(
                PlanWords.number(before)
                    + " → "
                    + PlanWords.number(after)
                    + " "
                    + read.unit()
                    + (out ? " ▲" : ""));
        gauges
            .getChildren()
            .addAll(
                new HBox(4, new Label(Names.gauge(read.id())), new Spring(), value),
                new GaugeBar(
                    TextSize.px(BAR),
                    before,
                    after,
                    read.low() == null ? Double.NEGATIVE_INFINITY : read.low(),
                    read.high() == null ? Double.POSITIVE_INFINITY : read.high()));
      }
    }
  }

  private void pace(Pace known) {
    heading(pace, TEXTS.get("pace"), TEXTS.get("pace.against"));
    if (known.kinds().isEmpty()) {
      Label none = new Label(TEXTS.get("pace.none"));
      none.setWrapText(true);
      pace.getChildren().add(none);
      return;
    }
    for (FindingKind kind : known.kinds()) {
      Label value =
          new Label(
              String.format(
                  Locale.ROOT, "× %.2f · %d", known.quantile(kind, 0.5), known.pictures(kind)));
      HBox words = new HBox(4, new Label(PlanWords.group(kind.key())), new Spring(), value);
      pace.getChildren()
          .addAll(
              words,
              new GaugeBar(
                  TextSize.px(BAR),
                  1,
                  known.quantile(kind, 0.5),
                  known.quantile(kind, 0.25),
                  known.quantile(kind, 0.75)));
    }
  }

  private static void heading(VBox into, String words, String beside) {
    Label title = new Label(words);
    title.getStyleClass().add("heading");
    Label hint = new Label(beside);
    hint.getStyleClass().add("hint");
    HBox row = new HBox(4, title, new Spring(), hint);
    row.setAlignment(Pos.BASELINE_LEFT);
    into.getChildren().add(row);
  }
}
