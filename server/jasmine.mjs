export default {
  spec_dir: 'dist/src',
  spec_files: ['**/*.spec.js'],
  env: { random: true, forbidDuplicateNames: true },
};
