package org.jontrel.core.shelf;

import java.security.GeneralSecurityException;
import java.security.KeyFactory;
import java.security.KeyPairGenerator;
import java.security.MessageDigest;
import java.security.PrivateKey;
import java.security.PublicKey;
import java.security.Signature;
import java.security.spec.PKCS8EncodedKeySpec;
import java.security.spec.X509EncodedKeySpec;
import java.util.Base64;
import java.util.HexFormat;

/** Signatures (Ed25519) and checksums (SHA-256) of files of packages. Keys are DER in Base64, as PEM files have them. */
public final class ShelfSignature {
    private static final String ED25519 = "Ed25519";

    private ShelfSignature() {}

    /** @param secret the secret key (PKCS #8) @param open the public key (X.509) */
    public record KeyTexts(String secret, String open) {}

    public static KeyTexts newKey() {
        try {
            var pair = KeyPairGenerator.getInstance(ED25519).generateKeyPair();
            return new KeyTexts(
                    text(pair.getPrivate().getEncoded()), text(pair.getPublic().getEncoded()));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    /** 64 hexadecimal digits. */
    public static String checksum(byte[] content) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(content));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    /** @throws IllegalArgumentException where the key is none */
    public static String sign(byte[] content, String secret) {
        try {
            var signature = Signature.getInstance(ED25519);
            signature.initSign(secretKey(secret));
            signature.update(content);
            return text(signature.sign());
        } catch (GeneralSecurityException e) {
            throw new IllegalArgumentException("This is no secret key for signatures (Ed25519, PKCS #8).", e);
        }
    }

    /** Whether somebody who has the secret key to a public one has signed just this. */
    public static boolean holds(byte[] content, String signed, String open) {
        try {
            var signature = Signature.getInstance(ED25519);
            signature.initVerify(publicKey(open));
            signature.update(content);
            return signature.verify(bytes(signed));
        } catch (GeneralSecurityException | IllegalArgumentException _) {
            return false;
        }
    }

    private static PrivateKey secretKey(String text) throws GeneralSecurityException {
        return KeyFactory.getInstance(ED25519).generatePrivate(new PKCS8EncodedKeySpec(bytes(text)));
    }

    private static PublicKey publicKey(String text) throws GeneralSecurityException {
        return KeyFactory.getInstance(ED25519).generatePublic(new X509EncodedKeySpec(bytes(text)));
    }

    private static String text(byte[] bytes) {
        return Base64.getEncoder().encodeToString(bytes);
    }

    /** Also of a PEM file, with its lines around. */
    private static byte[] bytes(String text) {
        return Base64.getDecoder()
                .decode(text.replaceAll("-----[A-Z ]+-----", "").replaceAll("\\s", ""));
    }
}
