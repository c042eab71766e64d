package carezza.render;

import java.util.ArrayList;
import java.util.List;

import carezza.image.Area;

/**
 * The squares a level is cut into for keeping; those at the right and bottom edge are cut short.
 */
record TileGrid(Area whole) {

  static final int SIZE = 256;

  /** A square by its column and row. */
  record Tile(int column, int row) {}

  Area area(Tile tile) {
    return new Area(tile.column() * SIZE, tile.row() * SIZE, SIZE, SIZE).intersect(whole);
  }

  /** The tiles that touch an area, row by row. */
  List<Tile> touching(Area area) {
    Area inside = area.intersect(whole);
    List<Tile> tiles = new ArrayList<>();
    if (inside.isEmpty()) {
      return tiles;
    }
    for (int row = inside.y() / SIZE; row <= (inside.bottom() - 1) / SIZE; row++) {
      for (int column = inside.x() / SIZE; column <= (inside.right() - 1) / SIZE; column++) {
        tiles.add(new Tile(column, row));
      }
    }
    return tiles;
  }
}
