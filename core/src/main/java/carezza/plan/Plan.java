package carezza.plan;

import java.util.List;

import carezza.job.JobLevel;
import carezza.measure.Blemish;
import carezza.model.SemanticRegion;

/**
 * What was found in a picture, and what of it fits into the time there is.
 *
 * @param findings by stage, within it the most severe first
 * @param proposed those of them that fit and are worth most
 * @param budget minutes there are
 * @param marks of the person's own, which stay
 * @param unseen regions that could not be looked at, since there is no face map or they are not in
 *     the picture
 */
public record Plan(
    JobLevel job,
    List<Finding> findings,
    List<Finding> proposed,
    double budget,
    List<Blemish> marks,
    List<SemanticRegion> unseen) {

  public Plan {
    findings = List.copyOf(findings);
    proposed = List.copyOf(proposed);
    marks = List.copyOf(marks);
    unseen = List.copyOf(unseen);
  }

  public double minutes(List<Finding> of) {
    return of.stream().mapToDouble(Finding::minutes).sum();
  }

  public List<Finding> open() {
    return findings.stream().filter(Finding::isOpen).toList();
  }

  /** Open findings that cost time and do not fit. */
  public List<Finding> leftOut() {
    return open().stream().filter(f -> f.minutes() > 0 && !proposed.contains(f)).toList();
  }
}
