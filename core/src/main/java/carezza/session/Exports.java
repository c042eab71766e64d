package carezza.session;

import java.nio.file.Path;
import java.util.List;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;

import org.jspecify.annotations.Nullable;

import carezza.codec.LayeredWriter;
import carezza.codec.OutputCheck;
import carezza.codec.OutputColour;
import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureReader;
import carezza.codec.PictureWriter;
import carezza.file.AtomicFile;
import carezza.image.Cancellation;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.metadata.Metadata;
import carezza.metadata.Metadata.Carried;
import carezza.model.BackdropLayer;
import carezza.model.Crop;
import carezza.model.Project;
import carezza.model.SemanticRegion;
import carezza.problem.Problem;
import carezza.recipe.Delivery;
import carezza.recipe.NamePattern.Words;
import carezza.recipe.OutputSharpening;
import carezza.recipe.Recipe;
import carezza.render.Cropper;
import carezza.render.RenderInput;
import carezza.render.Renderer;

/** The finished picture, rendered and written. Safe for many threads. */
public final class Exports {

  /** Pixels of the longer side on which colours are looked over. */
  private static final int CHECKED_LONG_EDGE = 640;

  private final Session session;
  private final Metadata metadata;

  Exports(Session session, Metadata metadata) {
    this.session = session;
    this.metadata = metadata;
  }

  /** The finished picture at its delivered size, working space. */
  public Picture picture(Project project, Delivery delivery, Cancellation cancellation) {
    return sized(
        project,
        delivery,
        session.renderer().renderOnce(session.scene(project), delivery.level(), cancellation));
  }

  /**
   * A finished picture of any level cut to the project's frame, at its delivered size. One that is
   * shrunk from full size keeps the detail that is seen there.
   */
  Picture sized(Project project, Delivery delivery, Picture whole) {
    Picture cut = framed(project, whole);
    Picture sized =
        delivery.sized(cut, project.crop() == null ? session.size() : project.crop().size(1));
    boolean shrunk = sized.area().width() < cut.area().width();
    return shrunk && delivery.level() == 0 ? OutputSharpening.keeping(cut, sized) : sized;
  }

  /** A finished picture of any level cut to the project's frame, what lies beyond it filled. */
  public Picture framed(Project project, Picture whole) {
    Crop crop = project.crop();
    if (crop == null) {
      return whole;
    }
    double halvings =
        Math.log((double) session.size().width() / whole.area().width()) / Math.log(2);
    double scale = Level.scale((int) Math.rint(halvings));
    return Cropper.cut(whole, crop, scale, ground(project));
  }

  /** The backdrop that was brought to one colour, which a frame beyond the picture goes on with. */
  private @Nullable Plane ground(Project project) {
    if (project.crop() == null || BackdropLayer.in(project.stack()).isEmpty()) {
      return null;
    }
    RenderInput scene = session.scene(project);
    int level = Renderer.analysisLevel(session.renderer().site(scene, 0).faceWidth());
    EvaluationContext site = session.renderer().site(scene, level);
    return site.regions().coverage(SemanticRegion.BACKDROP, site.whole(), level);
  }

  /**
   * What becomes of the finished picture's colours in a file's colour space, read on a small
   * picture.
   */
  public OutputCheck check(Project project, OutputColour colour, Cancellation cancellation) {
    return OutputCheck.of(small(project, cancellation), colour);
  }

  /** The finished picture as small as it is looked over. */
  Picture small(Project project, Cancellation cancellation) {
    Delivery small =
        new Delivery(
            CHECKED_LONG_EDGE,
            92,
            8,
            Level.forZoom(Math.min(1, (double) CHECKED_LONG_EDGE / session.size().longEdge())),
            OutputColour.of(OutputProfile.SRGB),
            Carried.NOTHING,
            false);
    return picture(project, small, cancellation);
  }

  /** Renders and writes the file whole or not at all. */
  public void deliver(
      Project project, AtomicFile file, Delivery delivery, Cancellation cancellation)
      throws Problem {
    delivery.check(file.path());
    file.check();
    if (delivery.layers() || Delivery.isOpenRaster(file.path())) {
      deliverLayers(project, file, delivery, cancellation);
      return;
    }
    PictureFormat format = PictureFormat.of(PictureReader.name(file.path()));
    Picture picture = picture(project, delivery, cancellation);
    cancellation.check();
    PictureWriter.write(
        picture,
        file,
        new PictureWriter.Settings(
            format,
            delivery.quality(),
            delivery.bits(),
            delivery.colour(),
            delivery.retouched() ? metadata.retouched() : metadata,
            delivery.carried()));
  }

  /**
   * Writes all files of a recipe, each whole or not at all, of every variant; folders are made.
   * Nothing is rendered before it is sure that all may be written.
   *
   * @param folder that the recipe's own lie below
   * @param replaces files that are there already
   * @param kept files that are there already and stay as they are
   * @return the files in the recipe's order, variant by variant
   */
  public List<Path> deliver(
      Project project,
      Recipe recipe,
      Path folder,
      Words words,
      boolean replaces,
      Predicate<Path> kept,
      Cancellation cancellation)
      throws Problem {
    RecipeExport.Place place = new RecipeExport.Place(folder, words, replaces, kept);
    return new RecipeExport(session, metadata).written(project, recipe, place, cancellation);
  }

  /** OpenRaster, or a TIFF with a page for each layer; at the full size of the level. */
  private void deliverLayers(
      Project project, AtomicFile file, Delivery delivery, Cancellation cancellation)
      throws Problem {
    RenderInput scene = session.scene(project);
    file.write(
        out -> {
          try (LayeredWriter writer =
              Delivery.isOpenRaster(file.path())
                  ? LayeredWriter.openRaster(out, delivery.colour())
                  : LayeredWriter.tiff(out, delivery.colour())) {
            Plane ground = ground(project);
            UnaryOperator<Picture> framed =
                p ->
                    project.crop() == null
                        ? p
                        : Cropper.cut(p, project.crop(), Level.scale(delivery.level()), ground);
            writer.photograph(
                framed.apply(session.renderer().photograph().level(delivery.level())));
            writer.finish(
                framed.apply(
                    session
                        .renderer()
                        .renderOnce(
                            scene,
                            delivery.level(),
                            (layer, before, after) -> {
                              cancellation.check();
                              writer.layer(
                                  layer.attributes().name(),
                                  framed.apply(before),
                                  framed.apply(after));
                            },
                            cancellation)));
          }
        });
  }
}
