package org.jontrel.demo;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Area;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Random;
import javax.imageio.ImageIO;

/** Draws canal scenes: sky, hills, water and trees in the light of a season, and a lock, a bridge, a boat in it. The same seed gives the same picture. */
final class Pictures {
    static final int WIDTH = 960;
    static final int HEIGHT = 640;

    private static final Color STONE = new Color(0x8B8378);
    static final Color OAK = new Color(0x3B2F2A);
    private final Random random;
    private final Scenery scenery;
    private final Graphics2D pen;
    private final BufferedImage picture = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);

    private Pictures(long seed) {
        random = new Random(seed);
        pen = picture.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        scenery = new Scenery(pen, random, seed);
    }

    /** A JPEG of 960 by 640 pixels; {@code sort} is what it shows: anything else than those named below is a berth. */
    static byte[] draw(String sort, long seed) {
        var scene = new Pictures(seed);
        scene.scenery.land();
        switch (sort) {
            case "lock" -> scene.lock();
            case "bridge" -> scene.bridge();
            case "flight" -> scene.flight();
            case "aqueduct" -> scene.aqueduct();
            case "walk" -> scene.walk();
            case "boat" -> scene.boat();
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

    private void flight() {
        for (int step = 4; step >= 0; step--) {
            double scale = 1 - step * .17;
            double y = 500 - step * 44;
            double half = 170 * scale;
            pen.setColor(STONE);
            pen.fill(new Rectangle2D.Double(480 - half, y, 36 * scale, 90 * scale));
            pen.fill(new Rectangle2D.Double(480 + half - 36 * scale, y, 36 * scale, 90 * scale));
            pen.setColor(OAK);
            pen.fill(new Rectangle2D.Double(480 - half + 36 * scale, y + 8, 2 * half - 72 * scale, 60 * scale));
            pen.setColor(new Color(0xF2EFE6));
            pen.fill(new Rectangle2D.Double(480 - half - 60 * scale, y - 2, 60 * scale + half, 9 * scale));
            pen.fill(new Rectangle2D.Double(480, y - 2, half + 60 * scale, 9 * scale));
        }
    }

    private void aqueduct() {
        int top = 300 + random.nextInt(50);
        pen.setColor(new Color(0x9C8F7C));
        pen.fill(new Rectangle2D.Double(0, top, WIDTH, 60));
        int arches = 3 + random.nextInt(3);
        double span = (double) WIDTH / arches;
        for (int i = 0; i <= arches; i++) {
            pen.fill(new Rectangle2D.Double(i * span - 24, top, 48, HEIGHT - top - 60));
        }
        var spandrels = new Area(new Rectangle2D.Double(0, top + 40, WIDTH, span / 2));
        for (int i = 0; i < arches; i++) {
            spandrels.subtract(new Area(new Ellipse2D.Double(i * span + 24, top + 60, span - 48, span)));
        }
        pen.fill(spandrels);
        pen.setColor(new Color(0x6F6558));
        pen.fill(new Rectangle2D.Double(0, top - 8, WIDTH, 12));
    }

    private void walk() {
        var path = new Path2D.Double();
        boolean left = random.nextBoolean();
        double far = left ? 380 : 590;
        double near = left ? 40 : 700;
        path.moveTo(far, 400);
        path.quadTo((far + near) / 2 + 40, 480, near, HEIGHT);
        path.lineTo(near + 240, HEIGHT);
        path.quadTo((far + near) / 2 + 130, 480, far + 22, 400);
        path.closePath();
        pen.setColor(new Color(0xD8C6A0));
        pen.fill(path);
        scenery.trees(4);
        pen.setColor(OAK);
        int fence = left ? 30 : 660;
        for (int i = 0; i < 5; i++) {
            pen.fill(new Rectangle2D.Double(fence + i * 60, 470 + (left ? i * -6 : i * 6), 9, 60));
        }
        pen.setStroke(new BasicStroke(6));
        pen.drawLine(fence, 485, fence + 250, 485 + (left ? -24 : 24));
    }

    private void boat() {
        var paint = new Color(Color.HSBtoRGB(random.nextFloat(), .6f, .5f));
        pen.setColor(OAK);
        var hull = new Path2D.Double();
        hull.moveTo(120, 500);
        hull.lineTo(820, 500);
        hull.quadTo(850, 500, 840, 520);
        hull.lineTo(800, 566);
        hull.lineTo(170, 566);
        hull.quadTo(130, 560, 120, 500);
        pen.fill(hull);
        pen.setColor(paint);
        pen.fill(new Rectangle2D.Double(560, 420, 230, 82));
        pen.setColor(new Color(0xE8DFC8));
        pen.fill(new Rectangle2D.Double(575, 436, 200, 48));
        pen.setColor(paint);
        pen.fill(new Ellipse2D.Double(650, 442, 36, 36));
        pen.setColor(new Color(0x2A2A2A));
        pen.fill(new Rectangle2D.Double(610, 360, 22, 62));
        pen.setColor(new Color(0x7A7466));
        var sheets = new Path2D.Double();
        sheets.moveTo(190, 500);
        sheets.lineTo(220, 440);
        sheets.lineTo(530, 440);
        sheets.lineTo(552, 500);
        sheets.closePath();
        pen.fill(sheets);
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
