<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        Schema::table('run_samples', function (Blueprint $table): void {
            $table->json('values')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('run_samples', fn (Blueprint $table) => $table->dropColumn('values'));
    }
};
