namespace HomeStart.Core.Costings;

/// <summary>What the counted bills come to, in one pass over them.</summary>
internal readonly record struct CountedSums(Minor Today, Minor FirstTerm, Minor Horizon, DueOn? Peak, AtLeast AtLeast)
{
    public static CountedSums Count(Costing costing)
    {
        var start = costing.Settings.StartDate;
        var (today, firstTerm, horizon) = ((Minor)0, (Minor)0, (Minor)0);
        var (todayAtLeast, firstTermAtLeast, horizonAtLeast) = (false, false, false);
        DueOn? peak = null;
        var day = new DueOn(start, 0);
        for (var index = 0; index < costing.Counted.Length; index++)
        {
            var bill = costing.Counted[index];
            var (date, value, isAtLeast) = (bill.Date, costing.Values[index], bill.IsAtLeast);
            horizon += value;
            horizonAtLeast |= isAtLeast;
            if (date == start)
            {
                today += value;
                todayAtLeast |= isAtLeast;
            }

            if (date < costing.FirstTermEnd)
            {
                firstTerm += value;
                firstTermAtLeast |= isAtLeast;
            }

            day = index > 0 && date == day.Date ? day with { Total = day.Total + value } : new DueOn(date, value);
            peak =
                peak is null
                || day.Total > peak.Value.Total
                || (peak.Value.Date == date && day.Total != peak.Value.Total)
                    ? day
                    : peak;
        }

        return new CountedSums(
            today,
            firstTerm,
            horizon,
            peak,
            new AtLeast(todayAtLeast, firstTermAtLeast, horizonAtLeast)
        );
    }
}
