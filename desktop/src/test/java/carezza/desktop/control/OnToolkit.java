package carezza.desktop.control;

import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;

import org.testfx.api.FxToolkit;
import org.testng.IConfigurable;
import org.testng.IConfigureCallBack;
import org.testng.IHookCallBack;
import org.testng.IHookable;
import org.testng.ITestResult;

/** Tests of controls that stand in no window, run where windows live. */
public abstract class OnToolkit implements IHookable, IConfigurable {

  private static final long PATIENCE_SECONDS = 60;

  @Override
  public void run(IHookCallBack test, ITestResult result) {
    onToolkit(() -> test.runTestMethod(result));
    // What fails there is told of here.
    if (result.getThrowable() != null) {
      result.setStatus(ITestResult.FAILURE);
    }
  }

  @Override
  public void run(IConfigureCallBack preparation, ITestResult result) {
    onToolkit(() -> preparation.runConfigurationMethod(result));
  }

  private static void onToolkit(Runnable work) {
    try {
      FxToolkit.registerPrimaryStage();
      CompletableFuture.runAsync(work, Platform::runLater).get(PATIENCE_SECONDS, TimeUnit.SECONDS);
    } catch (Exception e) {
      throw new IllegalStateException("The toolkit did not answer", e);
    }
  }
}
