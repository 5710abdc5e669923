package org.jontrel.demo;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Random;
import javax.imageio.ImageIO;

/** Draws canal scenes: sky, hills, water, and a lock, a bridge or a berth in it. The same seed gives the same picture. */
final class Pictures {
    static final int WIDTH = 960;
    static final int HEIGHT = 640;
    private static final Color[] SKIES = {
        new Color(0xBFD9E6), new Color(0xE9D7B8), new Color(0xD3DCE0), new Color(0xF0C9A8)
    };
    private static final Color[] HILLS = {
        new Color(0x7C9A6B), new Color(0x8FA878), new Color(0x6D8A72), new Color(0xA0A36A)
    };
    private static final Color STONE = new Color(0x8B8378);
    private static final Color OAK = new Color(0x3B2F2A);
    private final Random random;
    private final Graphics2D pen;
    private final BufferedImage picture = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);

    private Pictures(long seed) {
        random = new Random(seed);
        pen = picture.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    }

    /** A JPEG of 960 by 640 pixels; {@code sort} is {@code lock}, {@code bridge} or anything else for a berth. */
    static byte[] draw(String sort, long seed) {
        var scene = new Pictures(seed);
        scene.land();
        switch (sort) {
            case "lock" -> scene.lock();
            case "bridge" -> scene.bridge();
            default -> scene.berth();
        }
        scene.pen.dispose();
        var bytes = new ByteArrayOutputStream();
        try {
            ImageIO.write(scene.picture, "jpeg", bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    private void land() {
        pen.setColor(SKIES[random.nextInt(SKIES.length)]);
        pen.fillRect(0, 0, WIDTH, HEIGHT);
        pen.setColor(new Color(0xFFF4D6));
        pen.fill(new Ellipse2D.Double(100 + random.nextInt(700), 60 + random.nextInt(100), 70, 70));
        for (int ridge = 0; ridge < 3; ridge++) {
            var hill = new Path2D.Double();
            double y = 230 + ridge * 60;
            hill.moveTo(0, HEIGHT);
            hill.lineTo(0, y);
            for (int x = 0; x <= WIDTH; x += 120) {
                hill.quadTo(x + 60, y - 20 - random.nextInt(70), x + 120, y - random.nextInt(20));
            }
            hill.lineTo(WIDTH, HEIGHT);
            pen.setColor(HILLS[(ridge + random.nextInt(2)) % HILLS.length]);
            pen.fill(hill);
        }
        pen.setColor(new Color(0x3F6F78));
        var water = new Path2D.Double();
        water.moveTo(380, 400);
        water.lineTo(580, 400);
        water.lineTo(860, HEIGHT);
        water.lineTo(60, HEIGHT);
        water.closePath();
        pen.fill(water);
        pen.setColor(new Color(0x5B8A92));
        pen.setStroke(new BasicStroke(3));
        for (int i = 0; i < 14; i++) {
            int y = 415 + i * 16;
            int x = 380 - i * 14 + random.nextInt(200 + i * 20);
            pen.drawLine(x, y, x + 30 + i * 3, y);
        }
    }

    private void lock() {
        pen.setColor(STONE);
        pen.fill(new Rectangle2D.Double(300, 380, 70, 200));
        pen.fill(new Rectangle2D.Double(590, 380, 70, 200));
        pen.setColor(OAK);
        pen.fill(new Rectangle2D.Double(370, 395, 106, 130));
        pen.fill(new Rectangle2D.Double(484, 395, 106, 130));
        pen.setColor(new Color(0xF2EFE6));
        pen.setStroke(new BasicStroke(14, BasicStroke.CAP_BUTT, BasicStroke.JOIN_ROUND));
        pen.drawLine(210, 372, 476, 392);
        pen.drawLine(750, 372, 484, 392);
    }

    private void bridge() {
        pen.setColor(new Color(0xA4553F));
        var wall = new Path2D.Double();
        wall.moveTo(120, 470);
        wall.quadTo(480, 250, 840, 470);
        wall.lineTo(840, 540);
        wall.lineTo(690, 540);
        wall.quadTo(480, 240, 270, 540);
        wall.lineTo(120, 540);
        wall.closePath();
        pen.fill(wall);
        pen.setColor(new Color(0xD9CDB4));
        pen.setStroke(new BasicStroke(10));
        var coping = new Path2D.Double();
        coping.moveTo(120, 468);
        coping.quadTo(480, 248, 840, 468);
        pen.draw(coping);
    }

    private void berth() {
        var hulls = new Color[] {new Color(0x1F4E4A), new Color(0x7A2E2A), new Color(0x28406B)};
        pen.setColor(hulls[random.nextInt(hulls.length)]);
        var hull = new Path2D.Double();
        hull.moveTo(250, 500);
        hull.lineTo(760, 500);
        hull.quadTo(740, 560, 700, 565);
        hull.lineTo(290, 565);
        hull.closePath();
        pen.fill(hull);
        pen.setColor(new Color(0xE8DFC8));
        pen.fill(new Rectangle2D.Double(310, 440, 360, 60));
        pen.setColor(OAK);
        for (int i = 0; i < 5; i++) {
            pen.fill(new Rectangle2D.Double(330 + i * 68, 455, 40, 28));
        }
    }
}
