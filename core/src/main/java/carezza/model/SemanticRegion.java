package carezza.model;

/** Areas of the picture known by name from the face map and the picture's colours. */
public enum SemanticRegion {
  FACE_SKIN,
  NECK_SKIN,
  EARS,
  SHOULDERS,
  HANDS,
  SKIN,
  LIPS,
  TEETH,
  SCLERA,
  LEFT_SCLERA,
  RIGHT_SCLERA,
  IRIS,
  BROWS_LASHES,
  HAIR,
  SUBJECT,
  BACKDROP
}
