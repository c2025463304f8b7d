export default {
  spec_dir: 'e2e/dist/specs',
  spec_files: ['**/*.spec.js'],
  env: { random: false, forbidDuplicateNames: true },
  jsLoader: 'import',
};
