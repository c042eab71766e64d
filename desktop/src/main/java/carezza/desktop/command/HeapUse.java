package carezza.desktop.command;

import java.lang.management.ManagementFactory;
import java.util.List;

import com.sun.management.HotSpotDiagnosticMXBean;

/**
 * How the heap is used while photographs are worked off. The start command is a window's, which
 * gives back what it does not need while the hand rests; a batch would have to take that again for
 * every photograph.
 */
final class HeapUse {

  /** An option of the runtime that may be set while it runs. */
  private record Setting(String option, String value) {}

  /** In this order, as the most must stay above the least. */
  private static final List<Setting> AT_WORK =
      List.of(
          new Setting("MaxHeapFreeRatio", "70"),
          new Setting("MinHeapFreeRatio", "40"),
          new Setting("G1PeriodicGCInterval", "0"));

  private HeapUse() {}

  /** From here on memory is kept for what comes next. */
  static void forWork() {
    HotSpotDiagnosticMXBean runtime =
        ManagementFactory.getPlatformMXBean(HotSpotDiagnosticMXBean.class);
    for (Setting setting : AT_WORK) {
      try {
        runtime.setVMOption(setting.option(), setting.value());
      } catch (IllegalArgumentException e) {
        // Another collector, which has no such option and needs none.
        System.getLogger("carezza.batch").log(System.Logger.Level.DEBUG, setting.option(), e);
      }
    }
  }
}
