package carezza.face;

/**
 * Numbers of the mesh's points, as the networks put them out and as outlines go. Left and right are
 * of the picture here.
 */
final class MeshPoints {

  static final int COUNT = 478;

  /** Points that come without refinement. */
  static final int PLAIN = 468;

  static final int EYE_CORNER_LEFT = 33;
  static final int EYE_CORNER_RIGHT = 263;
  static final int MOUTH_LEFT = 61;
  static final int MOUTH_RIGHT = 291;

  /** First of five points of each iris: the middle, then four of the rim. */
  static final int IRIS_LEFT = 468;

  static final int IRIS_RIGHT = 473;

  /** Refined lips, in the order of their output. */
  static final int[] REFINED_LIPS = {
    61, 146, 91, 181, 84, 17, 314, 405, 321, 375, 291, 185, 40, 39, 37, 0, 267, 269, 270,
    409, 78, 95, 88, 178, 87, 14, 317, 402, 318, 324, 308, 191, 80, 81, 82, 13, 312, 311,
    310, 415, 76, 77, 90, 180, 85, 16, 315, 404, 320, 307, 306, 184, 74, 73, 72, 11, 302,
    303, 304, 408, 62, 96, 89, 179, 86, 15, 316, 403, 319, 325, 292, 183, 42, 41, 38, 12,
    268, 271, 272, 407
  };

  /** Refined eye on the left of the picture. */
  static final int[] REFINED_LEFT_EYE = {
    33, 7, 163, 144, 145, 153, 154, 155, 133, 246, 161, 160, 159, 158, 157, 173, 130, 25, 110, 24,
    23, 22, 26, 112, 243, 247, 30, 29, 27, 28, 56, 190, 226, 31, 228, 229, 230, 231, 232, 233, 244,
    113, 225, 224, 223, 222, 221, 189, 35, 124, 46, 53, 52, 65, 143, 111, 117, 118, 119, 120, 121,
    128, 245, 156, 70, 63, 105, 66, 107, 55, 193
  };

  /** Refined eye on the right of the picture. */
  static final int[] REFINED_RIGHT_EYE = {
    263, 249, 390, 373, 374, 380, 381, 382, 362, 466, 388, 387, 386, 385, 384, 398, 359, 255,
    339, 254, 253, 252, 256, 341, 463, 467, 260, 259, 257, 258, 286, 414, 446, 261, 448, 449,
    450, 451, 452, 453, 464, 342, 445, 444, 443, 442, 441, 413, 265, 353, 276, 283, 282, 295,
    372, 340, 346, 347, 348, 349, 350, 357, 465, 383, 300, 293, 334, 296, 336, 285, 417
  };

  /** Outline of the face. */
  static final int[] FACE_OVAL = {
    10, 338, 297, 332, 284, 251, 389, 356, 454, 323, 361, 288, 397, 365, 379, 378, 400, 377,
    152, 148, 176, 149, 150, 136, 172, 58, 132, 93, 234, 127, 162, 21, 54, 103, 67, 109
  };

  /** Outer outline of the lips. */
  static final int[] LIPS_OUTER = {
    61, 146, 91, 181, 84, 17, 314, 405, 321, 375, 291, 409, 270, 269, 267, 0, 37, 39, 40, 185
  };

  /** Inner outline of the lips. */
  static final int[] LIPS_INNER = {
    78, 95, 88, 178, 87, 14, 317, 402, 318, 324, 308, 415, 310, 311, 312, 13, 82, 81, 80, 191
  };

  /** Lids of the eye on the left of the picture. */
  static final int[] EYE_LEFT = {
    33, 7, 163, 144, 145, 153, 154, 155, 133, 173, 157, 158, 159, 160, 161, 246
  };

  /** Lids of the eye on the right of the picture. */
  static final int[] EYE_RIGHT = {
    263, 249, 390, 373, 374, 380, 381, 382, 362, 398, 384, 385, 386, 387, 388, 466
  };

  /** Brow on the left of the picture. */
  static final int[] BROW_LEFT = {107, 66, 105, 63, 70, 46, 53, 52, 65, 55};

  /** Brow on the right of the picture. */
  static final int[] BROW_RIGHT = {336, 296, 334, 293, 300, 276, 283, 282, 295, 285};

  private MeshPoints() {}
}
