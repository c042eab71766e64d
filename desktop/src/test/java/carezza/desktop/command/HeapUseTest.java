package carezza.desktop.command;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.management.ManagementFactory;

import com.sun.management.HotSpotDiagnosticMXBean;
import org.testng.annotations.Test;

public class HeapUseTest {

  @Test
  public void aBatchKeepsTheMemoryThatItNeedsAgain() {
    HotSpotDiagnosticMXBean runtime =
        ManagementFactory.getPlatformMXBean(HotSpotDiagnosticMXBean.class);
    runtime.setVMOption("MinHeapFreeRatio", "5");
    runtime.setVMOption("MaxHeapFreeRatio", "12");
    HeapUse.forWork();
    assertThat(runtime.getVMOption("MinHeapFreeRatio").getValue()).isEqualTo("40");
    assertThat(runtime.getVMOption("MaxHeapFreeRatio").getValue()).isEqualTo("70");
  }
}
