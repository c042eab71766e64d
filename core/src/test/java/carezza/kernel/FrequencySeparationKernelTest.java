package carezza.kernel;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.model.FrequencySeparationLayer;

public class FrequencySeparationKernelTest {

  @DataProvider
  public Object[][] advised() {
    return new Object[][] {{0.01, 0.3}, {12.5, 12.5}, {9000, 500}};
  }

  @Test(dataProvider = "advised")
  public void anAdvisedRadiusStaysWithinWhatALayerCanHave(double advised, double used) {
    FrequencySeparationLayer layer =
        (FrequencySeparationLayer) LayerType.FREQUENCY_SEPARATION.fresh();

    assertThat(
            new FrequencySeparationKernel()
                .resolve(layer, new Measurements.Separation(advised))
                .radius())
        .isEqualTo(used);
  }
}
