package org.jontrel.demo;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.util.List;
import java.util.Random;

/** Sky, hills, water and trees, in the light of a season or an hour. */
final class Scenery {
    /** The colours of a season or an hour: the sky above and below, hills from far to near, water, leaves. */
    private record Light(int high, int low, int far, int middle, int near, int water, int leaves) {}

    private static final List<Light> LIGHTS = List.of(
            new Light(0x8FC1DE, 0xDCEBF0, 0xA9BFB4, 0x86A877, 0x6C9460, 0x4A8592, 0x4F7F45),
            new Light(0xE7B98A, 0xF7E3C4, 0xB9A79A, 0xA8926A, 0x8F7C4E, 0x6D7C7C, 0xB06A2B),
            new Light(0xAEB9C2, 0xE4E6E4, 0xB7C0C2, 0x94A39B, 0x788B80, 0x5E7C86, 0x5C6F58),
            new Light(0x6C7FA8, 0xF0B79A, 0x8B88A5, 0x6E7187, 0x525A6B, 0x55688A, 0x3D4A4A),
            new Light(0xBFD4E4, 0xF4F6F7, 0xD8E0E4, 0xC9D4D6, 0xE6ECEC, 0x7C97A3, 0x8A9A94));

    private final Graphics2D pen;
    private final Random random;
    private final Light light;

    Scenery(Graphics2D pen, Random random, long seed) {
        this.pen = pen;
        this.random = random;
        this.light = LIGHTS.get((int) (seed % LIGHTS.size()));
    }

    void land() {
        pen.setPaint(new GradientPaint(0, 0, new Color(light.high()), 0, 360, new Color(light.low())));
        pen.fillRect(0, 0, Pictures.WIDTH, Pictures.HEIGHT);
        pen.setColor(new Color(0xFFF4D6));
        int sun = 50 + random.nextInt(40);
        pen.fill(new Ellipse2D.Double(80 + random.nextInt(760), 40 + random.nextInt(120), sun, sun));
        clouds();
        ridge(210, new Color(light.far()));
        ridge(270, new Color(light.middle()));
        ridge(340, new Color(light.near()));
        water();
        trees(random.nextInt(5));
    }

    private void clouds() {
        pen.setColor(new Color(255, 255, 255, 130));
        for (int i = random.nextInt(4); i > 0; i--) {
            int x = random.nextInt(Pictures.WIDTH);
            int y = 30 + random.nextInt(140);
            for (int puff = 0; puff < 5; puff++) {
                pen.fill(new Ellipse2D.Double(x + puff * 34, y + random.nextInt(22), 80, 34 + random.nextInt(16)));
            }
        }
    }

    private void ridge(double y, Color colour) {
        var hill = new Path2D.Double();
        hill.moveTo(0, Pictures.HEIGHT);
        hill.lineTo(0, y);
        for (int x = 0; x <= Pictures.WIDTH; x += 120) {
            hill.quadTo(x + 60, y - 20 - random.nextInt(90), x + 120, y - random.nextInt(30));
        }
        hill.lineTo(Pictures.WIDTH, Pictures.HEIGHT);
        pen.setColor(colour);
        pen.fill(hill);
    }

    private void water() {
        int middle = 400 + random.nextInt(160);
        pen.setColor(new Color(light.water()));
        var water = new Path2D.Double();
        water.moveTo(middle - 90, 400);
        water.lineTo(middle + 90, 400);
        water.lineTo(860, Pictures.HEIGHT);
        water.lineTo(60, Pictures.HEIGHT);
        water.closePath();
        pen.fill(water);
        pen.setColor(new Color(255, 255, 255, 70));
        pen.setStroke(new BasicStroke(3));
        for (int i = 0; i < 16; i++) {
            int y = 415 + i * 14;
            int x = middle - 70 - i * 14 + random.nextInt(160 + i * 24);
            pen.drawLine(x, y, x + 30 + i * 3, y);
        }
    }

    /** Round ones and pointed ones, along the banks. */
    void trees(int most) {
        for (int i = 0; i < most; i++) {
            boolean left = random.nextBoolean();
            int x = left ? random.nextInt(230) : 700 + random.nextInt(230);
            int y = 360 + random.nextInt(90);
            int size = 60 + random.nextInt(80);
            pen.setColor(Pictures.OAK);
            pen.fill(new Rectangle2D.Double(x - 5, y - 20, 10, 60));
            pen.setColor(new Color(light.leaves()));
            if (random.nextInt(3) == 0) {
                var poplar = new Ellipse2D.Double(x - size / 5.0, y - size * 1.9, size / 2.5, size * 2.0);
                pen.fill(poplar);
            } else {
                pen.fill(new Ellipse2D.Double(x - size / 2.0, y - size, size, size));
                pen.fill(new Ellipse2D.Double(x - size * .7, y - size * .7, size * .8, size * .7));
            }
        }
    }
}
