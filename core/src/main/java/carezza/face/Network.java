package carezza.face;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.FloatBuffer;
import java.util.HashMap;
import java.util.Map;

import ai.onnxruntime.OnnxTensor;
import ai.onnxruntime.OnnxValue;
import ai.onnxruntime.OrtEnvironment;
import ai.onnxruntime.OrtException;
import ai.onnxruntime.OrtSession;

/** One network: a square RGB picture in, named rows of numbers out. Safe for many threads. */
final class Network {

  private static final OrtEnvironment ENVIRONMENT = NativeRuntime.environment();

  private final OrtSession session;
  private final String input;
  private final int side;

  /**
   * @param name of the resource
   * @param side of its input in pixels
   */
  Network(String name, int side) {
    this.side = side;
    try (InputStream in = Network.class.getResourceAsStream("/carezza/face/" + name + ".onnx");
        OrtSession.SessionOptions options = new OrtSession.SessionOptions()) {
      options.setIntraOpNumThreads(1);
      byte[] network = in.readAllBytes();
      session = NativeRuntime.withRoom(() -> ENVIRONMENT.createSession(network, options));
      input = session.getInputNames().iterator().next();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (OrtException e) {
      throw new IllegalStateException("Network " + name, e);
    }
  }

  int side() {
    return side;
  }

  /**
   * @param pixels side x side x 3, row by row, R, G, B
   */
  Map<String, float[]> run(float[] pixels) {
    long[] shape = {1, side, side, 3};
    Map<String, float[]> out = new HashMap<>();
    try (OnnxTensor tensor = OnnxTensor.createTensor(ENVIRONMENT, FloatBuffer.wrap(pixels), shape);
        OrtSession.Result result = session.run(Map.of(input, tensor))) {
      for (Map.Entry<String, OnnxValue> e : result) {
        FloatBuffer values = ((OnnxTensor) e.getValue()).getFloatBuffer();
        float[] numbers = new float[values.remaining()];
        values.get(numbers);
        out.put(e.getKey(), numbers);
      }
      return out;
    } catch (OrtException e) {
      throw new IllegalStateException("Running a network", e);
    }
  }

  /** An output by its name. */
  static float[] output(Map<String, float[]> outputs, String name) {
    float[] values = outputs.get(name);
    if (values == null) {
      throw new IllegalStateException("The network has no output " + name);
    }
    return values;
  }
}
