<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        Schema::table('runs', function (Blueprint $table): void {
            // When the last job for a waiting run was put into the queue.
            $table->timestamp('dispatched_at', 3)->nullable()->after('worker');
        });
        Schema::table('projects', function (Blueprint $table): void {
            // A deleted project can be restored for a while.
            $table->softDeletes();
        });
        Schema::table('memberships', function (Blueprint $table): void {
            $table->timestamp('opened_at', 3)->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('memberships', fn (Blueprint $table) => $table->dropColumn('opened_at'));
        Schema::table('projects', fn (Blueprint $table) => $table->dropSoftDeletes());
        Schema::table('runs', fn (Blueprint $table) => $table->dropColumn('dispatched_at'));
    }
};
