<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        // How each operating point of the model ended, what it reads, and which of the pictures of the run is its own.
        Schema::table('runs', fn (Blueprint $table) => $table->json('points')->nullable());
    }

    public function down(): void
    {
        Schema::table('runs', fn (Blueprint $table) => $table->dropColumn('points'));
    }
};
