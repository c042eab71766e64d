package carezza.model;

/**
 * The photograph a project is about.
 *
 * @param name file name; for a linked photograph its path relative to the project
 * @param sha256 of the file, 64 hexadecimal digits
 * @param embedded whether the file lies inside the project
 * @param width of the upright picture in pixels
 * @param height of the upright picture in pixels
 */
public record PhotoReference(String name, String sha256, boolean embedded, int width, int height) {

  public PhotoReference {
    Require.present("name", name);
    if (sha256 == null || !sha256.matches("[0-9a-f]{64}")) {
      throw new IllegalArgumentException("the photograph's SHA-256 is not 64 hexadecimal digits");
    }
    Require.range("width", width, 1, 1e6);
    Require.range("height", height, 1, 1e6);
  }
}
