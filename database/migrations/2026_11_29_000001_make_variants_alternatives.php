<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        Schema::table('variants', function (Blueprint $table): void {
            $table->string('note', 2000)->default('');
            $table->unsignedInteger('position')->default(0);
            // What it was cloned from, and in which revision of that.
            $table->foreignId('origin_id')->nullable()->constrained('variants')->nullOnDelete();
            $table->unsignedInteger('origin_revision')->nullable();
            // A deleted variant can be restored for a while.
            $table->softDeletes();
        });
    }

    public function down(): void
    {
        Schema::table('variants', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('origin_id');
            $table->dropColumn(['note', 'position', 'origin_revision', 'deleted_at']);
        });
    }
};
