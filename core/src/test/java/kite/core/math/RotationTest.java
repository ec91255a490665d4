package kite.core.math;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Random;
import org.joml.Matrix4d;
import org.joml.Quaterniond;
import org.junit.jupiter.api.Test;

/** Against JOML, an independent library. */
class RotationTest {
  private final Random r = new Random(2);

  private double angle() {
    return (r.nextDouble() - 0.5) * 6;
  }

  @Test
  void everyAxisOrderIsTheProductOfItsTurns() {
    for (int n = 0; n < 100; n++) {
      double pan = angle(), tilt = angle(), roll = angle();
      for (AxisOrder order : AxisOrder.values()) {
        Matrix4d want = new Matrix4d();
        for (String axis : order.name().split("_")) {
          if (axis.equals("PAN")) want.rotateY(pan);
          if (axis.equals("TILT")) want.rotateX(tilt);
          if (axis.equals("ROLL")) want.rotateZ(roll);
        }
        double[] m = Matrix.newIdentity(), w = want.get(new double[16]);
        Rotation.angles(order, pan, tilt, roll, m, 0);
        for (int i = 0; i < 16; i++) assertEquals(w[i], m[i], 1e-12, order + " " + i);
      }
    }
  }

  @Test
  void anglesAreReadBackAlsoStraightUpAndDown() {
    for (double tilt : new double[] {0.3, -1.2, Math.PI / 2, -Math.PI / 2}) {
      double[] m = Matrix.newIdentity(), again = Matrix.newIdentity();
      Rotation.panTiltRoll(0.8, tilt, -0.4, m, 0);
      double[] a = Rotation.newPanTiltRoll(m, 0);
      Rotation.panTiltRoll(a[0], a[1], a[2], again, 0);
      for (int i = 0; i < 16; i++) assertEquals(m[i], again[i], 1e-9);
    }
  }

  @Test
  void blendIsTheShortestArc() {
    for (int n = 0; n < 100; n++) {
      Quaterniond a = new Quaterniond().rotateXYZ(angle(), angle(), angle()),
          b = new Quaterniond().rotateXYZ(angle(), angle(), angle());
      double t = r.nextDouble();
      double[] out = new double[4];
      Rotation.blend(new double[] {a.x, a.y, a.z, a.w}, new double[] {b.x, b.y, b.z, b.w}, t, out);
      Quaterniond want = a.slerp(b, t, new Quaterniond());
      assertEquals(1, Math.abs(want.dot(new Quaterniond(out[0], out[1], out[2], out[3]))), 1e-9);
    }
  }

  @Test
  void matrixAndQuaternionAreTheSameRotation() {
    for (int n = 0; n < 200; n++) {
      Quaterniond q = new Quaterniond().rotateXYZ(angle(), angle(), angle());
      double[] m = Matrix.newIdentity(),
          back = new double[4],
          w = new Matrix4d().rotate(q).get(new double[16]);
      Rotation.toMatrix(new double[] {q.x, q.y, q.z, q.w}, m, 0);
      for (int i = 0; i < 16; i++) assertEquals(w[i], m[i], 1e-12);
      Rotation.toQuaternion(m, 0, back);
      assertEquals(1, Math.abs(q.dot(new Quaterniond(back[0], back[1], back[2], back[3]))), 1e-12);
    }
  }

  @Test
  void theTurnBetweenTwoDirectionsAlsoForOpposites() {
    double[] q = new double[4], m = Matrix.newIdentity(), p = new double[3];
    Rotation.between(0, 0, -1, 0, 0, 1, q);
    Rotation.toMatrix(q, m, 0);
    Matrix.point(m, 0, 0, 0, -1, p, 0);
    assertEquals(1, p[2], 1e-12);
  }

  @Test
  void inverseUndoesAndAFlatTransformHasNone() {
    for (int n = 0; n < 50; n++) {
      Matrix4d j =
          new Matrix4d()
              .translate(angle(), angle(), angle())
              .rotateXYZ(angle(), angle(), angle())
              .scale(0.2 + r.nextDouble(), 2, 0.7);
      double[] inv = Matrix.newInverse(j.get(new double[16]), 0),
          want = j.invert().get(new double[16]);
      for (int i = 0; i < 16; i++) assertEquals(want[i], inv[i], 1e-9);
    }
    double[] flat = Matrix.newIdentity();
    flat[5] = 0;
    assertThrows(ArithmeticException.class, () -> Matrix.newInverse(flat, 0));
    Matrix.makeRigid(flat, 0);
    assertTrue(Math.abs(flat[5]) > 0.99 || Math.abs(flat[4]) > 0.99);
  }
}
