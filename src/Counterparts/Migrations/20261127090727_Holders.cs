using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace HomeStart.Counterparts.Migrations
{
    /// <inheritdoc />
    public partial class Holders : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "HolderMail",
                table: "Registrations",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "HolderPage",
                table: "Registrations",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "IsHolderConfirmed",
                table: "Registrations",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.CreateIndex(
                name: "IX_Registrations_HolderPage",
                table: "Registrations",
                column: "HolderPage",
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Registrations_HolderPage",
                table: "Registrations");

            migrationBuilder.DropColumn(
                name: "HolderMail",
                table: "Registrations");

            migrationBuilder.DropColumn(
                name: "HolderPage",
                table: "Registrations");

            migrationBuilder.DropColumn(
                name: "IsHolderConfirmed",
                table: "Registrations");
        }
    }
}
