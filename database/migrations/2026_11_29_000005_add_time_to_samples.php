<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        Schema::table('run_samples', function (Blueprint $table): void {
            // s of a course in time that has been reached; null on the way to a steady state
            $table->double('moment')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('run_samples', fn (Blueprint $table) => $table->dropColumn('moment'));
    }
};
