package com.example.cellar.dto;

import com.example.cellar.entity.Label;
import com.example.cellar.support.Binary;
import com.example.cellar.support.OnCreate;
import com.example.cellar.support.OnReplace;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Null;
import jakarta.validation.constraints.Size;

/**
 * What a client may send to create or replace a label.
 *
 * <p>Whatever is left out of a new row is filled in by the database, or stays empty.
 */
public record LabelInput(
        @Null(groups = OnCreate.class)
        Integer id,
        @NotNull
        @Size(max = 60)
        String title,
        @NotNull(groups = OnReplace.class)
        @Size(max = 2)
        String languageCode,
        @Size(max = 1000)
        String backText,
        Binary picture) {
    /** What a client would send to write this row again. */
    public static LabelInput of(Label label) {
        return new LabelInput(
                label.id(),
                label.title(),
                label.languageCode(),
                label.backText(),
                label.picture());
    }
}
