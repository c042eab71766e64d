package carezza.metadata;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

import com.adobe.internal.xmp.XMPConst;
import com.adobe.internal.xmp.XMPException;
import com.adobe.internal.xmp.XMPIterator;
import com.adobe.internal.xmp.XMPMeta;
import com.adobe.internal.xmp.XMPMetaFactory;
import com.adobe.internal.xmp.options.IteratorOptions;
import com.adobe.internal.xmp.options.ParseOptions;
import com.adobe.internal.xmp.options.SerializeOptions;
import com.adobe.internal.xmp.properties.XMPPropertyInfo;

/** What of an XMP packet is passed on, decided on its parsed properties. */
final class XmpPolicy {

  private static final String TIFF = XMPConst.NS_TIFF;
  private static final String EXIF = XMPConst.NS_EXIF;
  private static final String IPTC_CORE = XMPConst.NS_IPTCCORE;
  private static final String PHOTOSHOP = XMPConst.NS_PHOTOSHOP;

  /** Changed by people with tools that make nothing up (IPTC NewsCodes, digital source type). */
  private static final String EDITED = "http://cv.iptc.org/newscodes/digitalsourcetype/humanEdits";

  /** What is known to name neither a place nor a body, by local names. */
  private static final Map<String, Set<String>> PLACELESS =
      Map.of(
          XMPConst.NS_DC,
          Set.of(
              "contributor",
              "creator",
              "date",
              "description",
              "identifier",
              "language",
              "publisher",
              "relation",
              "rights",
              "source",
              "subject",
              "title",
              "type"),
          XMPConst.NS_XMP_RIGHTS,
          Set.of("Certificate", "Marked", "Owner", "UsageTerms", "WebStatement"),
          XMPConst.NS_XMP,
          Set.of(
              "CreateDate",
              "CreatorTool",
              "Label",
              "MetadataDate",
              "ModifyDate",
              "Nickname",
              "Rating"),
          PHOTOSHOP,
          Set.of(
              "AuthorsPosition",
              "CaptionWriter",
              "Category",
              "Credit",
              "DateCreated",
              "Headline",
              "Instructions",
              "Source",
              "SupplementalCategories",
              "TransmissionReference",
              "Urgency"),
          IPTC_CORE,
          Set.of("IntellectualGenre", "Scene", "SubjectCode"),
          XMPConst.NS_IPTCEXT,
          Set.of("DigitalSourceType", "DigitalImageGUID"),
          TIFF,
          Set.of(
              "Artist", "Copyright", "DateTime", "ImageDescription", "Make", "Model", "Software"),
          EXIF,
          Set.of(
              "ApertureValue",
              "BrightnessValue",
              "Contrast",
              "CustomRendered",
              "DateTimeDigitized",
              "DateTimeOriginal",
              "DigitalZoomRatio",
              "ExifVersion",
              "ExposureBiasValue",
              "ExposureMode",
              "ExposureProgram",
              "ExposureTime",
              "FNumber",
              "Flash",
              "FocalLength",
              "FocalLengthIn35mmFilm",
              "GainControl",
              "ISOSpeedRatings",
              "LightSource",
              "MaxApertureValue",
              "MeteringMode",
              "Saturation",
              "SceneCaptureType",
              "SensingMethod",
              "Sharpness",
              "ShutterSpeedValue",
              "SubjectDistance",
              "SubjectDistanceRange",
              "WhiteBalance"),
          XMPConst.NS_EXIFX,
          Set.of("LensMake", "LensModel", "LensSpecification", "PhotographicSensitivity"),
          XMPConst.NS_EXIF_AUX,
          Set.of("ApproximateFocusDistance", "Lens", "LensID", "LensInfo"));

  /** What describes the file it came from. */
  private static final Map<String, Set<String>> OF_FILE =
      Map.of(
          TIFF,
          Set.of(
              "BitsPerSample",
              "Compression",
              "ImageLength",
              "ImageWidth",
              "NativeDigest",
              "Orientation",
              "PhotometricInterpretation",
              "PlanarConfiguration",
              "ResolutionUnit",
              "SamplesPerPixel",
              "XResolution",
              "YCbCrPositioning",
              "YCbCrSubSampling",
              "YResolution"),
          EXIF,
          Set.of("ColorSpace", "NativeDigest", "PixelXDimension", "PixelYDimension"),
          XMPConst.NS_XMP,
          Set.of("Thumbnails"));

  private XmpPolicy() {}

  /**
   * Parses a packet.
   *
   * @return empty if it is none
   */
  static Optional<XMPMeta> parsed(byte[] packet) {
    try {
      ParseOptions strict = new ParseOptions().setDisallowDoctype(true);
      return Optional.of(XMPMetaFactory.parseFromBuffer(packet, strict));
    } catch (XMPException | RuntimeException | StackOverflowError e) {
      return Optional.empty();
    }
  }

  /** The packet with what is passed on. */
  static Optional<String> passed(byte[] packet, boolean withPlace) {
    Optional<XMPMeta> parsed = parsed(packet);
    if (parsed.isEmpty()) {
      return Optional.empty();
    }
    XMPMeta meta = parsed.get();
    try {
      boolean any = false;
      Map<String, String> left = new LinkedHashMap<>();
      IteratorOptions top = new IteratorOptions().setJustChildren(true);
      for (XMPIterator schemas = meta.iterator(top); schemas.hasNext(); ) {
        String namespace = ((XMPPropertyInfo) schemas.next()).getNamespace();
        for (XMPIterator properties = meta.iterator(namespace, null, top); properties.hasNext(); ) {
          String path = ((XMPPropertyInfo) properties.next()).getPath();
          String local = path.substring(path.indexOf(':') + 1);
          if (isPassed(namespace, local, withPlace)) {
            any = true;
          } else {
            left.put(path, namespace);
          }
        }
      }
      left.forEach((path, namespace) -> meta.deleteProperty(namespace, path));
      if (!any) {
        return Optional.empty();
      }
      return Optional.of(text(meta));
    } catch (XMPException | RuntimeException e) {
      return Optional.empty();
    }
  }

  private static String text(XMPMeta meta) throws XMPException {
    byte[] text =
        XMPMetaFactory.serializeToBuffer(
            meta, new SerializeOptions().setUseCompactFormat(true).setPadding(1));
    return new String(text, StandardCharsets.UTF_8);
  }

  /** A packet that says that a person edited the picture, and else what is passed on. */
  static String retouched(Optional<String> passed) {
    XMPMeta meta =
        passed
            .flatMap(p -> parsed(p.getBytes(StandardCharsets.UTF_8)))
            .orElseGet(XMPMetaFactory::create);
    try {
      meta.setProperty(XMPConst.NS_IPTCEXT, "DigitalSourceType", EDITED);
      return text(meta);
    } catch (XMPException e) {
      throw new IllegalStateException("A packet of our own cannot be written", e);
    }
  }

  private static boolean isPassed(String namespace, String local, boolean withPlace) {
    if (OF_FILE.getOrDefault(namespace, Set.of()).contains(local)) {
      return false;
    }
    return withPlace || PLACELESS.getOrDefault(namespace, Set.of()).contains(local);
  }

  /** The orientation that a packet names, 1 … 8; 1 if it names none. */
  static int orientation(byte[] packet) {
    try {
      Optional<XMPMeta> meta = parsed(packet);
      Integer named = meta.isEmpty() ? null : meta.get().getPropertyInteger(TIFF, "Orientation");
      return named == null || named < 1 || named > 8 ? 1 : named;
    } catch (XMPException e) {
      return 1;
    }
  }
}
