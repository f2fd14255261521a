<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        Schema::table('runs', function (Blueprint $table): void {
            // Limits whose margin is smaller than its uncertainty.
            $table->unsignedInteger('undecided')->nullable()->after('missed');
        });
    }

    public function down(): void
    {
        Schema::table('runs', fn (Blueprint $table) => $table->dropColumn('undecided'));
    }
};
