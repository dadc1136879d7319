package org.pressboard.bulk;

import java.io.IOException;
import java.io.InputStream;
import java.security.MessageDigest;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Table;
import org.jooq.impl.DSL;
import org.pressboard.catalog.Digests;
import org.pressboard.intake.FileContent;
import org.pressboard.problem.ProblemsFound;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * The bytes of the files that were brought, kept in pieces in the database, so that any node can go on with them and
 * none has to hold one in memory.
 */
@Component
class IntakeFiles {

    /** The largest file that is taken, in bytes. */
    static final long MOST_BYTES = 100L * 1024 * 1024;

    private static final int PIECE = 1024 * 1024;
    private static final Table<?> PIECES = DSL.table(DSL.name("pressboard", "intake_chunk"));
    private static final Field<UUID> INTAKE = DSL.field(DSL.name("intake_id"), UUID.class);
    private static final Field<Integer> POSITION = DSL.field(DSL.name("position"), Integer.class);
    private static final Field<byte[]> BYTES = DSL.field(DSL.name("bytes"), byte[].class);

    private final DSLContext sql;
    private final TransactionTemplate onItsOwn;

    IntakeFiles(DSLContext sql, PlatformTransactionManager transactions) {
        this.sql = sql;
        this.onItsOwn = new TransactionTemplate(transactions);
        this.onItsOwn.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
        this.onItsOwn.setReadOnly(true);
    }

    /** What was kept: how much it is, and what tells it from other content. */
    record Kept(long bytes, String digest) {
    }

    /** Keeps the bytes, within the caller's transaction. */
    Kept keep(UUID intake, InputStream in) throws IOException {
        MessageDigest digest = Digests.begin();
        long size = 0;
        for (int position = 0; ; position++) {
            byte[] piece = in.readNBytes(PIECE);
            if (piece.length == 0) {
                return new Kept(size, Digests.written(digest, piece));
            }
            digest.update(piece);
            size += piece.length;
            if (size > MOST_BYTES) {
                throw ProblemsFound.of("file.too-large", MOST_BYTES / 1024 / 1024);
            }
            sql.insertInto(PIECES, INTAKE, POSITION, BYTES).values(intake, position, piece).execute();
        }
    }

    /** The bytes from the start; each piece is fetched on another connection than the caller's, which may be busy. */
    FileContent content(UUID intake) {
        return () -> new PieceStream(position -> piece(intake, position));
    }

    private byte[] piece(UUID intake, int position) {
        byte[] bytes = onItsOwn.execute(status -> sql.select(BYTES).from(PIECES)
                .where(INTAKE.eq(intake)).and(POSITION.eq(position)).fetchOne(BYTES));
        return bytes == null ? new byte[0] : bytes;
    }

    void remove(UUID intake) {
        sql.deleteFrom(PIECES).where(INTAKE.eq(intake)).execute();
    }
}
