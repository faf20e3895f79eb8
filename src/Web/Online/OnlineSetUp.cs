namespace HomeStart.Web.Online;

/// <summary>Puts together what the Online pages need.</summary>
internal static class OnlineSetUp
{
    public static void AddOnline(this IServiceCollection services) =>
        services
            .AddScoped<OnlineDesk>()
            .AddScoped<ChainDesk>()
            .AddScoped<ZoneDesk>()
            .AddScoped<UploadDesk>()
            .AddScoped<UploadTidying>()
            .AddScoped<Publishing>()
            .AddScoped<NameUses>()
            .AddScoped<MailDesk>()
            .AddScoped<EngineDesk>();
}
