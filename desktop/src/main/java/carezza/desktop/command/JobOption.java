package carezza.desktop.command;

import java.util.Locale;
import java.util.Map;

import picocli.CommandLine.ITypeConverter;
import picocli.CommandLine.Option;
import picocli.CommandLine.TypeConversionException;

import carezza.job.JobLevel;
import carezza.model.Project;

/** The job that bands, limits and the plan are taken from. */
final class JobOption {

  @Option(
      names = "--job",
      paramLabel = "NAME",
      converter = NameConverter.class,
      description =
          "Job to judge by: event, headshot, portrait, fashion, beauty or character; without it the"
              + " project's own, or portrait.")
  private String job;

  static final class NameConverter implements ITypeConverter<String> {
    @Override
    public String convert(String word) {
      String name = word.toLowerCase(Locale.ROOT);
      if (!JobLevel.IDS.contains(name)) {
        throw new TypeConversionException(
            "use one of " + String.join(", ", JobLevel.IDS) + ", not '" + word + "'");
      }
      return name;
    }
  }

  /** The project with the job that was asked for; its own numbers stay where its job does. */
  Project of(Project project) {
    return job == null || job.equals(project.brief().job())
        ? project
        : project.withBrief(project.brief().withJob(job, Map.of()));
  }
}
