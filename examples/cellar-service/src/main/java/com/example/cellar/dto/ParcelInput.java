package com.example.cellar.dto;

import com.example.cellar.entity.Parcel;
import com.example.cellar.entity.ParcelSoil;
import com.example.cellar.support.OnCreate;
import com.example.cellar.support.OnReplace;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Null;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;

/**
 * What a client may send to create or replace a parcel.
 *
 * <p>Whatever is left out of a new row is filled in by the database, or stays empty.
 */
public record ParcelInput(
        @Null(groups = OnCreate.class)
        Integer id,
        @NotNull
        @Size(max = 80)
        String name,
        @NotNull
        @Size(max = 8)
        String varietyCode,
        @NotNull
        @DecimalMin(value = "0", inclusive = false)
        @Digits(integer = 3, fraction = 3)
        BigDecimal areaHa,
        @Min(0)
        @Max(100)
        Integer slopePercent,
        @NotNull(groups = OnReplace.class)
        ParcelSoil soil,
        LocalDate plantedOn,
        @NotNull(groups = OnReplace.class)
        Boolean organic,
        @DecimalMin("-90")
        @DecimalMax("90")
        Double latitude,
        @DecimalMin("-180")
        @DecimalMax("180")
        Double longitude) {
    /** What a client would send to write this row again. */
    public static ParcelInput of(Parcel parcel) {
        return new ParcelInput(
                parcel.id(),
                parcel.name(),
                parcel.varietyCode(),
                parcel.areaHa(),
                parcel.slopePercent(),
                parcel.soil(),
                parcel.plantedOn(),
                parcel.organic(),
                parcel.latitude(),
                parcel.longitude());
    }
}
