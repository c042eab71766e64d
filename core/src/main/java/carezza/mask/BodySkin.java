package carezza.mask;

import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.Plane;

/**
 * Skin outside the face by name. Ears lie beside the face between brows and mouth, the neck below
 * the chin and not wider than the face, shoulders and chest below and beside that. Skin that no
 * skin joins to the face is hands, or what else of the body shows; a hand that touches the face
 * counts with what it touches.
 */
final class BodySkin {

  /** Gaps up to about this share of the face width, as of a chain or a strap, do not part skin. */
  private static final double BRIDGED = 0.035;

  private final Plane ears;
  private final Plane neck;
  private final Plane shoulders;
  private final Plane hands;

  /**
   * @param beside skin of this person outside the face
   */
  BodySkin(FaceFrame face, Plane faceSkin, Plane beside) {
    Area area = beside.area();
    FaceFrame.Ellipse oval = face.oval(1);
    Plane joined = GaussianBlur.blur(Planes.sum(faceSkin, beside), BRIDGED * face.faceWidth());
    for (int i = 0; i < joined.values().length; i++) {
      joined.values()[i] = Smoothstep.step(3 * joined.values()[i]);
    }
    ConnectedComponents.keep(joined, area, oval::contains);
    ears = Plane.of(area);
    neck = Plane.of(area);
    shoulders = Plane.of(area);
    hands = Plane.of(area);
    for (int y = area.y(); y < area.bottom(); y++) {
      for (int x = area.x(); x < area.right(); x++) {
        int i = beside.index(x, y);
        float skin = beside.values()[i];
        if (skin == 0) {
          continue;
        }
        double dx = x + 0.5 - oval.x();
        double dy = y + 0.5 - oval.y();
        double down = (dy * oval.cos() - dx * oval.sin()) / oval.ry();
        double side = Math.abs(dx * oval.cos() + dy * oval.sin()) / oval.rx();
        float own = skin * Smoothstep.step(joined.values()[i] * 4);
        float high = Smoothstep.step((0.6 - down) / 0.2) * Smoothstep.step((1.7 - side) / 0.2);
        float throat = Smoothstep.step((1.8 - down) / 0.25) * Smoothstep.step((1.3 - side) / 0.2);
        ears.values()[i] = own * high;
        neck.values()[i] = own * (1 - high) * throat;
        shoulders.values()[i] = own * (1 - high) * (1 - throat);
        hands.values()[i] = skin - own;
      }
    }
  }

  Plane ears() {
    return ears;
  }

  Plane neck() {
    return neck;
  }

  Plane shoulders() {
    return shoulders;
  }

  Plane hands() {
    return hands;
  }
}
