package carezza.problem;

import java.text.MessageFormat;
import java.util.Objects;
import java.util.ResourceBundle;

import org.jspecify.annotations.Nullable;

/**
 * Something the retoucher has to know: what, where and how to go on. The message is one sentence
 * from the bundle {@code carezza/problems}; callers act on {@link #kind()}.
 */
public final class Problem extends Exception {

  private static final long serialVersionUID = 1L;

  /** The kinds, each a key of the bundle. */
  public enum Kind {
    FILE_MISSING,
    FILE_UNREADABLE,
    FILE_NOT_WRITTEN,
    FILE_IS_FOLDER,
    FILE_TOO_LARGE,
    FILE_IS_ORIGINAL,
    FILE_EXISTS,
    PICTURE_UNKNOWN,
    PICTURE_DAMAGED,
    PICTURE_UNSUPPORTED,
    PICTURE_TOO_DEMANDING,
    RAW_NEEDS_LIBRARY,
    PICTURE_TOO_LARGE,
    PROFILE_FILE_UNUSABLE,
    PROFILE_OF_OTHER_CLASS,
    NO_FACE,
    FORMAT_UNSUPPORTED,
    INKS_NEED_TIFF,
    LAYERS_NEED_RGB,
    LAYERS_NEED_TIFF,
    PROJECT_DAMAGED,
    PROJECT_NEWER,
    PHOTOGRAPH_MISSING,
    PHOTOGRAPH_CHANGED,
    WORK_TAKEN,
    JOURNAL_BROKEN,
    JOURNAL_NEWER,
    JOURNAL_UNUSABLE,
    STACK_INVALID,
    SPOTS_INVALID,
    ROUTINE_INVALID,
    RECIPE_INVALID,
    ANSWER_INVALID,
    NO_SUCH_VARIANT,
    SET_INVALID,
    SIZES_DIFFER,
    VALUE_OUT_OF_RANGE,
    PROJECT_ENDING,
    SHEET_ENDING,
    MEMORY_SPENT,
    PROGRAM_FAULT,
    NO_DISPLAY
  }

  private final Kind kind;

  /**
   * @param arguments what the sentence of this kind names, file first
   */
  public Problem(Kind kind, @Nullable Object... arguments) {
    super(sentence(kind, arguments));
    this.kind = kind;
  }

  public Problem(Throwable cause, Kind kind, @Nullable Object... arguments) {
    super(sentence(kind, arguments), cause);
    this.kind = kind;
  }

  /** The sentence; never null. */
  @Override
  public String getMessage() {
    return Objects.requireNonNull(super.getMessage());
  }

  public Kind kind() {
    return kind;
  }

  private static String sentence(Kind kind, Object... arguments) {
    Object[] texts = new Object[arguments.length];
    for (int i = 0; i < texts.length; i++) {
      texts[i] = String.valueOf(arguments[i]);
    }
    return MessageFormat.format(
        ResourceBundle.getBundle("carezza.problems").getString(kind.name()), texts);
  }
}
