package carezza.desktop.state;

import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;

import org.jspecify.annotations.Nullable;

import carezza.model.Layer;

/** Which layer is in hand. */
public final class SelectionState {

  private final DocumentState document;
  private final ReadOnlyStringWrapper selected = new ReadOnlyStringWrapper();

  public SelectionState(DocumentState document) {
    this.document = document;
    document
        .projectProperty()
        .subscribe(
            (was, is) -> {
              if (selected.get() != null && is.stack().indexOf(selected.get()) < 0) {
                selected.set(null);
              }
            });
  }

  /** Id of the layer in hand, or null. */
  public ReadOnlyStringProperty selectedProperty() {
    return selected.getReadOnlyProperty();
  }

  /** Id of the layer in hand, or null. */
  public String selected() {
    return selected.get();
  }

  /**
   * @param id of a layer, or null for none
   */
  void set(@Nullable String id) {
    selected.set(id);
  }

  /** The layer in hand. */
  public Optional<Layer> layer() {
    return selected.get() == null ? Optional.empty() : document.stack().find(selected.get());
  }

  /** The layer in hand, if it is of a kind. */
  public <L extends Layer> Optional<L> layer(Class<L> type) {
    return layer().filter(type::isInstance).map(type::cast);
  }

  /** Changes the layer in hand, as {@link DocumentState#edit} does. */
  public void edit(@Nullable String label, UnaryOperator<Layer> change) {
    String id = selected.get();
    if (id != null) {
      document.edit(label == null ? null : label + id, p -> p.edit(id, change));
    }
  }
}
