package carezza.desktop.dialog;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.BiConsumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.jspecify.annotations.Nullable;

import carezza.desktop.control.Buttons;
import carezza.desktop.control.Spring;
import carezza.desktop.sheet.Paper;
import carezza.desktop.sheet.SheetFacts;
import carezza.desktop.sheet.SheetKind;
import carezza.desktop.state.AppState;
import carezza.desktop.style.TextSize;
import carezza.desktop.task.Faults;
import carezza.desktop.task.Lane;
import carezza.desktop.text.Texts;
import carezza.project.Document;
import carezza.session.Session;

/** A sheet about the document at work as it would be printed, before it is written. */
public final class SheetPreview extends VBox {

  private static final Texts TEXTS = Texts.of("app");

  private static final double WIDTH = 640;
  private static final double HEIGHT = 560;
  private static final float DOTS_PER_INCH = 96;

  private final Lane lane;
  private final VBox pages = new VBox(12);
  private final Label words = new Label(TEXTS.get("sheetPreview.measuring"));
  private final Button write;
  private final List<ToggleButton> kinds = new ArrayList<>();
  private final List<ToggleButton> papers = new ArrayList<>();
  private SheetKind kind;
  private Paper paper = Paper.A4;

  /** Measured once, when the sheet is opened. */
  private @Nullable SheetFacts facts;

  private byte @Nullable [] pdf;

  /**
   * @param lane measures and draws; it is given back by whoever made it
   * @param written takes the PDF that is shown, and whom it is for
   */
  public SheetPreview(
      AppState state,
      Lane lane,
      SheetKind first,
      BiConsumer<SheetKind, byte[]> written,
      Runnable close) {
    super(12);
    this.lane = lane;
    kind = first;
    setId("sheet-preview");
    HBox choice = new HBox(8);
    choice.setAlignment(Pos.CENTER_LEFT);
    HBox whom = new HBox();
    whom.getStyleClass().add("joined");
    for (SheetKind each : SheetKind.values()) {
      whom.getChildren().add(choice(kinds, "sheetPreview." + each, () -> kind = each));
    }
    HBox size = new HBox();
    size.getStyleClass().add("joined");
    for (Paper each : Paper.values()) {
      size.getChildren().add(choice(papers, "sheetPreview." + each, () -> paper = each));
    }
    write =
        Buttons.main(
            "sheet-write",
            TEXTS.get("sheetPreview.write"),
            TEXTS.get("sheetPreview.write.tip"),
            () -> written.accept(kind, pdf));
    write.setDisable(true);
    choice
        .getChildren()
        .addAll(
            whom,
            size,
            new Spring(),
            write,
            Buttons.of(
                "sheet-close",
                TEXTS.get("sheetPreview.close"),
                TEXTS.get("sheetPreview.close.tip"),
                close));
    words.setWrapText(true);
    pages.setAlignment(Pos.TOP_CENTER);
    pages.getChildren().add(words);
    ScrollPane scroll = new ScrollPane(pages);
    scroll.setId("sheet-pages");
    scroll.setFitToWidth(true);
    scroll.setPrefSize(TextSize.px(WIDTH), HEIGHT);
    getChildren().addAll(choice, scroll);
    mark();
    sceneProperty()
        .subscribe(
            (was, is) -> {
              if (is == null) {
                // Closed: nobody waits for it any more.
                lane.cancel();
              }
            });
    measure(state);
  }

  private ToggleButton choice(List<ToggleButton> all, String key, Runnable chosen) {
    ToggleButton button = new ToggleButton(TEXTS.get(key));
    button.setId(key.toLowerCase(Locale.ROOT).replace('.', '-'));
    button.setTooltip(new Tooltip(TEXTS.get(key + ".tip")));
    button.setOnAction(
        e -> {
          chosen.run();
          mark();
          draw();
        });
    all.add(button);
    return button;
  }

  private void mark() {
    kinds.forEach(b -> b.setSelected(kinds.indexOf(b) == kind.ordinal()));
    papers.forEach(b -> b.setSelected(papers.indexOf(b) == paper.ordinal()));
  }

  private void measure(AppState state) {
    Session session = state.document().session();
    Document document = state.document().current();
    lane.newest(
        cancellation -> SheetFacts.of(session, document, LocalDate.now(), cancellation),
        measured -> {
          facts = measured;
          draw();
        },
        this::fail);
  }

  private record Drawn(byte[] pdf, List<Image> pages) {}

  private void draw() {
    SheetFacts told = facts;
    SheetKind whom = kind;
    Paper size = paper;
    if (told == null) {
      return;
    }
    write.setDisable(true);
    lane.newest(
        cancellation -> {
          byte[] made = whom.pdf(told, size);
          return new Drawn(made, drawn(made));
        },
        drawn -> {
          boolean opened = pdf == null;
          pdf = drawn.pdf();
          write.setDisable(false);
          if (opened) {
            // What the sheet is about is in hand as soon as it can be done.
            write.requestFocus();
          }
          pages.getChildren().clear();
          for (Image page : drawn.pages()) {
            ImageView view = new ImageView(page);
            view.setPreserveRatio(true);
            view.setFitWidth(TextSize.px(WIDTH) - 24);
            pages.getChildren().add(view);
          }
        },
        this::fail);
  }

  private void fail(Throwable e) {
    words.setText(Faults.said(e));
    pages.getChildren().setAll(words);
  }

  private static List<Image> drawn(byte[] pdf) throws IOException {
    List<Image> pages = new ArrayList<>();
    try (PDDocument document = Loader.loadPDF(pdf)) {
      PDFRenderer renderer = new PDFRenderer(document);
      for (int i = 0; i < document.getNumberOfPages(); i++) {
        BufferedImage page = renderer.renderImageWithDPI(i, 1.5f * DOTS_PER_INCH, ImageType.RGB);
        int w = page.getWidth();
        int h = page.getHeight();
        WritableImage image = new WritableImage(w, h);
        image
            .getPixelWriter()
            .setPixels(
                0,
                0,
                w,
                h,
                PixelFormat.getIntArgbInstance(),
                page.getRGB(0, 0, w, h, null, 0, w),
                0,
                w);
        pages.add(image);
      }
    }
    return pages;
  }
}
