<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        // What limits and watches read in the last picture, so that many runs can be charted without their results.
        Schema::table('runs', fn (Blueprint $table) => $table->json('readings')->nullable());
    }

    public function down(): void
    {
        Schema::table('runs', fn (Blueprint $table) => $table->dropColumn('readings'));
    }
};
