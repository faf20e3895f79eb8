namespace HomeStart.Web.Work;

/// <summary>The worker and its bell.</summary>
internal static class WorkServices
{
    /// <param name="carriesOut">False where the host is only described: then nothing is carried on with.</param>
    public static void AddWork(this IServiceCollection services, bool carriesOut)
    {
        services.AddSingleton<WorkBell>();
        services.AddSingleton<WorkPace>();
        if (carriesOut)
        {
            services.AddHostedService<Worker>();
        }
    }
}
