package com.example.cellar.dto;

import com.example.cellar.entity.CellarLog;
import com.example.cellar.support.OnReplace;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDateTime;

/**
 * What a client may send to create or replace a cellar log.
 *
 * <p>Whatever is left out of a new row is filled in by the database, or stays empty.
 */
public record CellarLogInput(
        @NotNull(groups = OnReplace.class)
        LocalDateTime loggedAt,
        Integer handId,
        @NotNull
        @Size(max = 500)
        String entry) {
    /** What a client would send to write this row again. */
    public static CellarLogInput of(CellarLog cellarLog) {
        return new CellarLogInput(
                cellarLog.loggedAt(),
                cellarLog.handId(),
                cellarLog.entry());
    }
}
