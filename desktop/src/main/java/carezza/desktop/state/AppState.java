package carezza.desktop.state;

import carezza.desktop.task.TaskRunner;

/**
 * All that the window's views look at and change, made once and handed to them; no part of it knows
 * another but by what it was made with.
 */
public record AppState(
    TaskRunner tasks,
    Status status,
    DocumentState document,
    SelectionController selection,
    ToolState tools,
    ViewState view,
    MeasurementState measurements,
    FaceState faces,
    MaskPartState part,
    RepairState repairs,
    ProposalState proposals,
    SpotState spots,
    AdviceState advice,
    ColourState colours,
    CropState crop,
    PinState pins,
    PlanState plan)
    implements AutoCloseable {

  public static AppState with(TaskRunner tasks) {
    Status status = new Status();
    DocumentState document = new DocumentState();
    ToolState tools = new ToolState();
    ViewState view = new ViewState(document);
    SelectionController selection =
        new SelectionController(document, new SelectionState(document), tools, view, status);
    document.commitsProperty().subscribe((was, is) -> status.clear());
    MeasurementState measurements = new MeasurementState(document, status, tasks);
    new RepairSources(document, status, tasks);
    return new AppState(
        tasks,
        status,
        document,
        selection,
        tools,
        view,
        measurements,
        new FaceState(document, status, tasks),
        new MaskPartState(document, selection, tools),
        new RepairState(document, selection, status, tasks),
        new ProposalState(document, selection, status, tasks),
        new SpotState(document, tools, status, tasks),
        new AdviceState(document, selection, tools, view, status, tasks),
        new ColourState(document, selection, status, tasks),
        new CropState(document, tools),
        new PinState(document, status, tasks),
        new PlanState(document, selection, status, tasks));
  }

  @Override
  public void close() {
    tasks.close();
  }
}
